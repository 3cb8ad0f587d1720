import type { LucideIcon } from 'lucide-react';
import type { ComponentType, RefObject } from 'react';
import type { AttemptState } from '@/core/attempt/state';
import type { RailTool } from '@/core/tools/allowed';
import type { DeliveredItem, DeliveredTest } from '@/core/item/delivered';
import type { AccessNeeds } from '@/core/needs';
import type { Kept, KeptState, PageLook } from '../attempt/kept';

export interface SheetLayerProps {
  /** Which sheet: the passage or the question. */
  readonly sheet: 'passage' | 'question' | 'reference';
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
  /** The choice stands among words of a text: no cover fits it, and it is heard with them. */
  readonly inline?: boolean;
}
export interface QuestionProps {
  /** The question on the screen. */
  readonly itemRef: string;
}

/** What a tool's window is given. */
export interface WindowContentProps extends QuestionProps {
  /** What other tools lay over a text that this window shows; it belongs at the end of the text's box. */
  readonly TextLayers: ComponentType<Pick<SheetLayerProps, 'textId' | 'contentRef'>>;
}

/** What a tool keeps and where it belongs. */
export interface ToolState<State extends Kept = Kept> extends KeptState<State> {
  /** One for the whole test, one a question (`useKeptAt`), or one a text that is read. */
  readonly scope: 'test' | 'question' | 'text';
}

/** What a tool shows in the frame that all floating windows share. */
export interface ToolWindow {
  readonly Content: ComponentType<WindowContentProps>;
  /** How large it begins, in rem. */
  readonly size: (item: DeliveredItem) => { readonly width: number; readonly height: number };
}

/**
 * A tool: one folder that says what it is and brings its parts, and one line in index.ts. Nothing outside its folder knows its
 * name: the rail, the keys, the sheets and the page's look take what the definition says. Words are under `tools.ID` in
 * messages/ (`name`, `about`, and its own). Who has it where is decided by its `access` in core (tools/allowed.ts).
 */
export interface ToolDefinition<State extends Kept = Kept> extends RailTool {
  readonly Icon: LucideIcon;
  /** Letter of its Alt key; a letter that is taken falls to the tool's own rank in the list (useKeys). */
  readonly letter: string;
  /** What its button does: switch it on and off (its state then has `on`), open its panel, or open its window. */
  readonly button: 'switch' | 'panel' | 'window';
  readonly state: ToolState<State>;
  readonly Panel?: ComponentType<QuestionProps>;
  readonly window?: ToolWindow;
  /** Drawn over each sheet; a higher order lies above a lower one. */
  readonly sheetLayer?: {
    readonly order: number;
    readonly Layer: ComponentType<SheetLayerProps>;
    /** Whether it lies also over texts that a window shows. */
    readonly inWindows?: boolean;
    /** There is one on the screen: where several questions stand on one page, over the one the student is at. */
    readonly one?: boolean;
  };
  /** Drawn over the whole screen. */
  readonly PageLayer?: ComponentType<QuestionProps>;
  /** Drawn at the end of each choice of a question. */
  readonly ChoiceMark?: ComponentType<ChoiceMarkProps>;
  /** Whether a question has something of this tool that is told on the trail and in the review (`tools.ID.sign`). */
  isOnQuestion?(kept: AttemptState['tools'], itemRef: string): boolean;
  /** Fetches what it needs while the network is there; called for whoever has it in this test, after everything else. */
  readonly preload?: (test: DeliveredTest, needs: AccessNeeds) => Promise<unknown>;
  /** Whether it is set and tried in My view, before a test; its panel or its switch stands there. */
  readonly inMyView?: boolean;
  /** Its say in how the whole page looks. */
  pageLook?(state: State): Partial<PageLook>;
}

/** Gives the definition its own state type inside and the common one outside. */
export const defineTool = <State extends Kept>(tool: ToolDefinition<State>): ToolDefinition => tool;
