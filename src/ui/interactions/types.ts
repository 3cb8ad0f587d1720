import type { ComponentType } from 'react';
import type { InteractionModel, ResponseShape } from '@/core/interactions/types';
import type { RawResponse } from '@/core/item/response';
import type { ContentSlots } from '../content/ContentView';

/** What every interaction's component is given. It holds no answer of its own: the attempt does. */
export interface InteractionProps<Model extends InteractionModel = InteractionModel> {
  readonly model: Model;
  readonly response: RawResponse;
  readonly shape: ResponseShape;
  /** Gives an answer. `typing` steps are put together for undo. */
  readonly onAnswer: (response: RawResponse, how?: 'edit' | 'typing') => void;
  /** The question, for tools that mark choices. */
  readonly itemRef: string;
  /** Which of the question's answer places this is, from 1, and how many there are: for labels. */
  readonly position: { readonly index: number; readonly total: number };
  readonly slots: ContentSlots;
  /** Says something to a screen reader. */
  readonly announce: (words: string) => void;
}

export interface InteractionView {
  readonly type: string;
  readonly View: ComponentType<InteractionProps>;
}

export function defineView<Model extends InteractionModel>(
  type: string,
  View: ComponentType<InteractionProps<Model>>,
): InteractionView {
  return { type, View: View as unknown as ComponentType<InteractionProps> };
}
