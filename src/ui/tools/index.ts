import { colours } from './colours';
import { eliminator } from './eliminator';
import { highlighter } from './highlighter';
import { lineReader } from './line-reader';
import { magnifier } from './magnifier';
import type { ToolDefinition } from './types';

/** Every tool, in the order of the rail. A new one is its folder and a line here. */
export const TOOLS: readonly ToolDefinition[] = [lineReader, highlighter, eliminator, magnifier, colours];

/** Marks that tools put at the end of each choice. */
export const CHOICE_MARKS = TOOLS.flatMap(({ id, ChoiceMark }) =>
  ChoiceMark ? [{ id, Mark: ChoiceMark }] : [],
);

/** Layers that tools draw over each sheet, the lowest first. */
export const SHEET_LAYERS = TOOLS.flatMap(({ id, sheetLayer }) =>
  sheetLayer ? [{ id, ...sheetLayer }] : [],
).sort((a, b) => a.order - b.order);
