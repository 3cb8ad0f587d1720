import type { StyleRule } from '../content/styles';
import type { Catalog } from './catalog';
import type { Materials } from './materials';
import type { Rule } from './program';
import type { Content } from '../content/content';
import type {
  Declaration,
  OutcomeDeclaration,
  ResponseDeclaration,
  TemplateDeclaration,
} from '../content/declarations';

export interface RubricBlock {
  /** `candidate`, `scorer`, `proctor`, … */
  readonly views: readonly string[];
  readonly use: string | null;
  readonly content: Content;
}

/** Shown when the outcome holds the identifier (or, with `show: false`, when it does not). */
export interface ModalFeedback {
  readonly outcome: string;
  readonly identifier: string;
  readonly show: boolean;
  readonly title: string;
  readonly content: Content;
}

/** An assessment item as read: everything, keys included. Only the server and the command line hold this. */
export interface Item {
  /** How its content looks, by its package's style sheets; not there where it has none. */
  readonly styles?: readonly StyleRule[];
  readonly identifier: string;
  readonly title: string;
  readonly language: string | null;
  readonly adaptive: boolean;
  readonly timeDependent: boolean;
  readonly responses: readonly ResponseDeclaration[];
  readonly outcomes: readonly OutcomeDeclaration[];
  readonly templates: readonly TemplateDeclaration[];
  /** What the surroundings say (who, which test); here they say what the declaration does. */
  readonly contexts: readonly Declaration[];
  /** Identifiers of the stimuli shown beside it. */
  readonly stimuli: readonly string[];
  readonly materials: Materials;
  readonly catalog: Catalog;
  readonly body: Content;
  readonly rubrics: readonly RubricBlock[];
  /** `qti-modal-feedback`: shown in answer to a try, where the test lets it. */
  readonly feedback: readonly ModalFeedback[];
  readonly templateProcessing: readonly Rule[];
  /** `null`: a person scores it. */
  readonly responseProcessing: ResponseProcessing | null;
}

export type ResponseProcessing =
  | { readonly kind: 'template'; readonly template: 'match_correct' | 'map_response' | 'map_response_point' }
  | { readonly kind: 'rules'; readonly rules: readonly Rule[] };

/** A passage shared by items. */
export interface Stimulus {
  readonly identifier: string;
  readonly title: string;
  /** What it is written in (BCP 47), where it says so. */
  readonly language: string | null;
  readonly body: Content;
  /** How it looks, by its package's style sheets; not there where it has none. */
  readonly styles?: readonly StyleRule[];
  readonly catalog: Catalog;
}
