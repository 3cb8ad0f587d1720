import type { LucideIcon } from 'lucide-react';
import type { ComponentType, RefObject } from 'react';
import type { AccessNeeds } from '@/core/needs';
import type { DeliveredItem } from '@/core/item/delivered';
import type { Kept, KeptState, PageLook } from '../attempt/kept';

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

/** What a tool keeps and where it belongs. */
export interface ToolState<State extends Kept = Kept> extends KeptState<State> {
  /** One for the whole test, one a question, or one a text that is read. */
  readonly scope: 'test' | 'question' | 'text';
}

/**
 * A tool: one folder that says what it is and brings its parts, and one line in index.ts. Nothing outside its folder knows its
 * name: the rail, the keys, the sheets and the page's look take what the definition says. Words are under `tools.ID` in
 * messages/ (`name`, `about`, and its own).
 */
export interface ToolDefinition<State extends Kept = Kept> {
  readonly id: string;
  readonly Icon: LucideIcon;
  /** Letter of its Alt key; a letter that is taken falls to the tool's own rank in the list (useKeys). */
  readonly letter: string;
  /** What its button does: switch it on and off (its state then has `on`), or open its panel. */
  readonly button: 'switch' | 'panel';
  readonly state: ToolState<State>;
  /** Whether a student has it at a question; `null` where no question is shown. Every student has it everywhere unless it says otherwise. */
  available?(needs: AccessNeeds, item: DeliveredItem | null): boolean;
  /** Whether it takes the pointer for itself while it is on; at most one tool does (work.md, E: a click always answers). */
  readonly pointer?: 'own';
  readonly Panel?: ComponentType;
  /** Drawn over each sheet; a higher order lies above a lower one. */
  readonly sheetLayer?: { readonly order: number; readonly Layer: ComponentType<SheetLayerProps> };
  /** Drawn at the end of each choice of a question. */
  readonly ChoiceMark?: ComponentType<ChoiceMarkProps>;
  /** Its say in how the whole page looks. */
  pageLook?(state: State): Partial<PageLook>;
}

/** Gives the definition its own state type inside and the common one outside. */
export const defineTool = <State extends Kept>(tool: ToolDefinition<State>): ToolDefinition => tool;
