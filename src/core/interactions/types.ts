import type { Content } from '../item/content';
import type { RawResponse } from '../item/response';
import type { BaseType, Cardinality } from '../item/value';
import type { Reporter } from '../qti/problem';
import type { XmlElement } from '../qti/xml';

/** What every interaction says of itself; each adds its own properties. Holds only what a student may see. */
export interface InteractionModel {
  /** Which interaction: the name of its folder. */
  readonly type: string;
  readonly responseIdentifier: string;
  /** Inside a line of text (`true`) or a block of its own. */
  readonly inline: boolean;
  /** `qti-prompt`, if any. */
  readonly prompt: Content;
  /** Shared vocabulary classes (`qti-choices-stacking-2`, …). */
  readonly classes: readonly string[];
  /** Others that are drawn inside this one: further objects on the same stage. Each is an answer of its own. */
  readonly mates?: readonly InteractionModel[];
  readonly [property: string]: unknown;
}

/** How far an answer is. */
export type ProgressState = 'empty' | 'partial' | 'complete';

/** What is missing, as a message key under `missing` with its values; put into words by the interface. */
export interface Missing {
  readonly code: string;
  readonly values?: Readonly<Record<string, string | number>>;
}

export interface Progress {
  readonly state: ProgressState;
  readonly missing: Missing | null;
}

/** The bound declaration, as far as progress and writing need it. */
export interface ResponseShape {
  readonly identifier: string;
  readonly cardinality: Cardinality;
  readonly baseType: BaseType | null;
}

/** What an interaction's reader may ask for. */
export interface ReadContext {
  readonly report: Reporter;
  /** The declaration the interaction is bound to; absent is an error already reported. */
  readonly shape: ResponseShape | undefined;
  /** Reads children as content, by allow-list; gaps and hottexts become places. */
  content(element: XmlElement): Content;
  /** The element the interaction stands in: the stage, for position object. */
  readonly parent: XmlElement | undefined;
  /** A path in the package for a path written in this file. */
  asset(href: string): string;
}

/** One interaction: how it is read from XML, and how far an answer to it is. Pure. */
export interface InteractionDefinition<Model extends InteractionModel = InteractionModel> {
  /** Folder name and `InteractionModel.type`. */
  readonly type: string;
  /** The QTI element, or the `custom-interaction-type-identifier` of one of ours. */
  readonly element: string;
  readonly inline: boolean;
  /** Properties holding lists that `shuffle` mixes per attempt; members with `fixed` stay where they are. */
  readonly shuffles?: readonly string[];
  /** Cardinalities and base types its response may be declared with. */
  readonly binds: readonly { readonly cardinality: Cardinality; readonly baseTypes: readonly BaseType[] }[];
  read(
    element: XmlElement,
    context: ReadContext,
  ): Omit<Model, keyof InteractionModel> & Partial<InteractionModel>;
  /** Whether this one is no part of how far the answer is: a hint to ask for, a sound to hear. */
  optional?(model: Model): boolean;
  /** Its response says what happened, not what was answered: undo and starting over leave it alone, a limit stays a limit. */
  readonly happens?: boolean;
  progress(model: Model, response: RawResponse, shape: ResponseShape): Progress;
}

/** Gives the definition its own model type inside and the common one outside. */
export function defineInteraction<Model extends InteractionModel>(
  definition: InteractionDefinition<Model>,
): InteractionDefinition {
  return definition;
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
