import type { AttemptState } from '@/core/attempt/state';
import { braille } from './braille';
import { calculator } from './calculator';
import { colours } from './colours';
import { cover } from './cover';
import { eliminator } from './eliminator';
import { glossary } from './glossary';
import { highlighter } from './highlighter';
import { lens } from './lens';
import { lineReader } from './line-reader';
import { magnifier } from './magnifier';
import { masking } from './masking';
import { patches } from './patches';
import { protractor } from './measuring/protractor';
import { ruler } from './measuring/ruler';
import { notes } from './notes';
import { oneSwitch } from './one-switch';
import { pace } from './pace';
import { readAloud } from './read-aloud';
import { reference } from './reference';
import { sketch } from './sketch';
import { straightEdge } from './straight-edge';
import { text } from './text';
import type { ToolDefinition } from './types';

/** Every tool, in the order of the rail (core/tools/allowed.ts, `railOf`). A new one is its folder and a line here. */
export const TOOLS: readonly ToolDefinition[] = [
  calculator,
  ruler,
  protractor,
  reference,
  glossary,
  readAloud,
  braille,
  lineReader,
  highlighter,
  eliminator,
  notes,
  magnifier,
  lens,
  colours,
  straightEdge,
  sketch,
  masking,
  patches,
  text,
  pace,
  oneSwitch,
  cover,
];

/** Marks that tools put at the end of each choice. */
export const CHOICE_MARKS = TOOLS.flatMap((tool) =>
  tool.ChoiceMark ? [{ tool, Mark: tool.ChoiceMark }] : [],
);

/** Layers that tools draw over each sheet, the lowest first. */
export const SHEET_LAYERS = TOOLS.flatMap((tool) =>
  tool.sheetLayer ? [{ tool, ...tool.sheetLayer }] : [],
).sort((a, b) => a.order - b.order);

/** Tools that have something at a question, which the trail and the review tell. */
export const toolsOn = (kept: AttemptState['tools'], itemRef: string): readonly ToolDefinition[] =>
  TOOLS.filter((tool) => tool.isOnQuestion?.(kept, itemRef));
