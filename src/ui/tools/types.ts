import type { LucideIcon } from 'lucide-react';
import type { ComponentType, RefObject } from 'react';

export interface SheetLayerProps {
  /** Which sheet: the passage or the question. */
  readonly sheet: 'passage' | 'question';
  /** Name of its text for anchors: `stimulus:ID` or `item:REF`. */
  readonly textId: string;
  /** The box the content lies in; layers are placed inside it. */
  readonly contentRef: RefObject<HTMLElement | null>;
}
export interface ChoiceMarkProps {
  readonly itemRef: string;
  readonly response: string;
  readonly choice: string;
  /** The choice's words, for the label. */
  readonly label: string;
  readonly chosen: boolean;
}

/**
 * A tool: one folder that says what it is and brings its parts; the player only puts them in their places. Words are under
 * `tools.ID` in messages/ (`name`, `hint`).
 */
export interface ToolDefinition {
  readonly id: string;
  readonly Icon: LucideIcon;
  /** Letter of its Alt key. */
  readonly letter: string;
  /** What its button does: switch it on and off, or open its panel. */
  readonly button: 'switch' | 'panel';
  readonly Panel?: ComponentType;
  /** Drawn over each sheet. */
  readonly SheetLayer?: ComponentType<SheetLayerProps>;
  /** Drawn at the end of each choice of a question. */
  readonly ChoiceMark?: ComponentType<ChoiceMarkProps>;
}
