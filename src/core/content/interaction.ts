import type { Content } from './content';
import type { BaseType, Cardinality } from './value';

/** What every interaction says of itself; each adds its own properties. Holds only what a student may see. */
export interface InteractionBase {
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
}

/**
 * The model of each interaction by its type. Every folder of core/interactions adds its own
 * (`declare module '@/core/content/interaction'`), so that content knows them all and depends on none.
 */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type -- filled by the interactions' own folders
export interface InteractionModels {}

/** Any interaction: a closed union told apart by `type`. */
export type InteractionModel = InteractionModels[keyof InteractionModels];

/** The bound declaration, as far as progress and writing need it. */
export interface ResponseShape {
  readonly identifier: string;
  readonly cardinality: Cardinality;
  readonly baseType: BaseType | null;
  /** How numbers are typed where that is not with a point: the custom of the item's language. */
  readonly decimal?: ',';
}
