import type { Content } from '../content/content';
import type { InteractionBase, InteractionModel, ResponseShape } from '../content/interaction';
import type { RawResponse } from '../content/response';
import type { Value } from '../content/value';

export type { InteractionBase, InteractionModel, ResponseShape };

/** How far an answer is. */
export type ProgressState = 'empty' | 'partial' | 'complete';

/** What is missing, as a message key under `missing` with its values; put into words by the interface. */
export interface Missing {
  readonly code: string;
  readonly values?: Readonly<Record<string, string | number>>;
}

/** Something said of an answer: a message key under `said` with its values; put into words by the interface. */
export interface Said {
  readonly code: string;
  readonly values?: Readonly<Record<string, SaidValue>>;
}
export type SaidValue = string | number | Said | readonly Said[] | SaidNumber;
/** A number or a point of an answer, with a point before its tenths: written as the language of the question writes it. */
export interface SaidNumber {
  readonly number: string;
}

export interface Progress {
  readonly state: ProgressState;
  readonly missing: Missing | null;
}

/**
 * What is wrong with a response that this interaction could never give: it names something that is not there, it is more than
 * the maximum, or it is no answer of this kind at all.
 */
export type Fault = 'unknown' | 'too-many' | 'impossible';

/** One kind of interaction as browser and server know it: what it holds and how far an answer to it is. Pure; read.ts reads it. */
export interface InteractionKind<Model extends InteractionBase = InteractionModel> {
  /** Folder name and `InteractionModel.type`. */
  readonly type: Model['type'];
  readonly inline: boolean;
  /** Properties holding lists of offers: template variables may leave some of them out. */
  readonly offers?: readonly (keyof Model & string)[];
  /** Those of them that `shuffle` mixes per attempt; members with `fixed` stay where they are. */
  readonly shuffles?: readonly (keyof Model & string)[];
  /** The model with every content it holds (besides the prompt) changed; absent where it holds none. */
  mapContents?(model: Model, change: (content: Content) => Content): Model;
  /** The model with the values that template variables have in an attempt; absent where it shows none. */
  valued?(model: Model, valueOf: (name: string) => Value): Model;
  /** Whether this one is no part of how far the answer is: a hint to ask for, a sound to hear. */
  optional?(model: Model): boolean;
  /** Its response says what happened, not what was answered: undo and starting over leave it alone, a limit stays a limit. */
  readonly happens?: boolean;
  /** What of an answer is scored, where part of it may be only begun (`begun.ts`). */
  finished?(response: RawResponse): RawResponse;
  progress(model: Model, response: RawResponse, shape: ResponseShape): Progress;
  /** The answer as it stands, one thing after another, whatever of it is shown otherwise; nothing where there is none. */
  said(model: Model, response: RawResponse): readonly Said[];
  /** What is wrong with texts that are not all blank, of the declared shape; null for what a student can give. */
  fault(model: Model, texts: readonly string[], shape: ResponseShape): Fault | null;
}

/** Gives the kind its own model type inside and the common one outside. */
export function defineKind<Model extends InteractionModel>(kind: InteractionKind<Model>): InteractionKind {
  return kind as unknown as InteractionKind;
}

export const complete: Progress = { state: 'complete', missing: null };
export const empty = (code: string, values?: Missing['values']): Progress => ({
  state: 'empty',
  missing: { code, values },
});
export const partial = (code: string, values?: Missing['values']): Progress => ({
  state: 'partial',
  missing: { code, values },
});
