import { createElement, lazy, Suspense, useState, type ComponentType, type ReactNode } from 'react';
import type { InteractionModel, ResponseShape } from '@/core/interactions/types';
import type { RawResponse } from '@/core/content/response';
import type { ContentSlots } from '../content/ContentView';
import type { Announce } from '../kit/speech';
import type { Lesson } from './lesson';

/** What every interaction's component is given. It holds no answer of its own: the attempt does. */
export interface InteractionProps<Model extends InteractionModel = InteractionModel> {
  readonly model: Model;
  readonly response: RawResponse;
  readonly shape: ResponseShape;
  /** Gives an answer. `typing` steps are put together for undo, a word each; what `happened` is not undone. */
  readonly onAnswer: (response: RawResponse, how?: 'edit' | 'typing' | 'happened') => void;
  /** Shown to be looked at, not to be answered: after handing in, in "How to answer", when a question is closed. */
  readonly readOnly: boolean;
  /** The question, for tools that mark choices. */
  readonly itemRef: string;
  /** Which of the question's answer places this is, from 1, and how many there are: for labels. */
  readonly position: { readonly index: number; readonly total: number };
  readonly slots: ContentSlots;
  readonly announce: Announce;
  /** Choices the student has struck out; absent where there is no such tool. */
  readonly struck?: readonly string[];
  /** What tools put beside a choice. */
  readonly choiceMark?: (mark: {
    readonly choice: string;
    readonly label: string;
    readonly chosen: boolean;
    /** It stands among words of a text. */
    readonly inline?: boolean;
  }) => ReactNode;
  /** Draws one of the model's `mates` with its own answer. */
  readonly mate?: (model: InteractionModel) => ReactNode;
  /** Whether the student would rather type maths as text, kept for the test; absent where nothing is kept. */
  readonly typing?: { readonly on: boolean; readonly set: (on: boolean) => void };
  /** What a program of a package keeps of itself, as text; absent where nothing is kept. */
  readonly ownState?: { readonly value: string | null; readonly set: (value: string) => void };
  /** Ends this try at the question and has it checked; absent where nothing is checked on the way. */
  readonly endTry?: () => void;
}

type AnyView = ComponentType<InteractionProps>;
export interface InteractionView {
  readonly type: string;
  readonly View: AnyView;
  /** Fetches the component's code; done at the start of a test for every kind it has, so that no question waits for it. */
  readonly load: (models: readonly InteractionModel[]) => Promise<unknown>;
  /** What "How to answer" shows of it. */
  readonly lesson: () => Promise<{ readonly lesson: Lesson }>;
}

/**
 * An interaction whose component is always there: the most common ones.
 * @param editor fetches a large part that only some questions of the type need
 */
export function defineView<Model extends InteractionModel>(
  type: string,
  View: ComponentType<InteractionProps<Model>>,
  lesson: InteractionView['lesson'],
  editor: (model: Model) => Promise<unknown> | null = () => null,
): InteractionView {
  const load = (models: readonly InteractionModel[]) =>
    Promise.all(models.map((model) => editor(model as Model) ?? Promise.resolve()));
  return { type, View: View as unknown as AnyView, load, lesson };
}

/**
 * An interaction whose component comes when a test has it. Once it is here it is drawn at once, without a fallback.
 * @param editor as in `defineView`
 */
export function defineLazyView<Model extends InteractionModel>(
  type: string,
  fetchView: () => Promise<ComponentType<InteractionProps<Model>>>,
  lesson: InteractionView['lesson'],
  editor: (model: Model) => Promise<unknown> | null = () => null,
): InteractionView {
  let here: AnyView | null = null;
  const fetchIt = async () => {
    here = (await fetchView()) as unknown as AnyView;
    return { default: here };
  };
  const Later = lazy(fetchIt);
  // Decided once per place: a component that changed its kind while shown would lose what is half done in it.
  const View: AnyView = (props) => {
    const [ready] = useState(() => here);
    return ready
      ? createElement(ready, props)
      : createElement(Suspense, { fallback: null }, createElement(Later, props));
  };
  const load = (models: readonly InteractionModel[]) =>
    Promise.all([fetchIt(), ...models.map((model) => editor(model as Model) ?? Promise.resolve())]);
  return { type, View, load, lesson };
}
