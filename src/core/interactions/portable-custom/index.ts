import { responseTexts } from '../../content/response';
import { complete, defineKind, empty, type InteractionBase } from '../types';
import { toQtiJson, type QtiJson } from './json';

declare module '@/core/content/interaction' {
  interface InteractionModels {
    'portable-custom': PortableCustomModel;
  }
}

/** A part of its program, by the name under which the others ask for it (AMD). */
export interface PortableModule {
  readonly id: string;
  readonly source: string;
}
/** Somebody else's interaction: a program of the package that runs apart from the page, in a frame that reaches nothing. */
export interface PortableCustomModel extends InteractionBase {
  readonly type: 'portable-custom';
  /** `custom-interaction-type-identifier`: what the program registers itself as. */
  readonly typeIdentifier: string;
  /** The module it begins with. */
  readonly module: string;
  readonly modules: readonly PortableModule[];
  /** What the item sets for it: `data-*`, without that prefix. */
  readonly properties: Readonly<Record<string, string>>;
  /** XHTML it stands in. Files of the package are written `FILE_PREFIX` and their path. */
  readonly markup: string;
  readonly files: readonly string[];
  /** Template variables it may see; their values in this attempt are in `values`. */
  readonly variables: readonly string[];
  readonly values: Readonly<Record<string, QtiJson>>;
}

/** Before the path of a file of the package in its markup. */
export const FILE_PREFIX = 'able-file:';

/** Letters of a program in all, and of one text it gives as an answer. */
export const PORTABLE_LIMITS = { program: 1_500_000, text: 20_000, state: 15_000 } as const;

/** `qti-portable-custom-interaction` of others than us (QTI 3.0, portable custom interactions). */
export const portableCustom = defineKind<PortableCustomModel>({
  type: 'portable-custom',
  inline: false,
  mapContents(model, change) {
    // What it shows are files alone; its words are its own.
    for (const src of model.files)
      change([{ kind: 'element', name: 'img', namespace: 'html', attributes: { src }, children: [] }]);
    return model;
  },
  valued: (model, valueOf) => ({
    ...model,
    values: Object.fromEntries(model.variables.map((name) => [name, toQtiJson(valueOf(name))])),
  }),
  progress: (_model, response) =>
    responseTexts(response).some((text) => text !== '') ? complete : empty('notSet'),
  said: (_model, response) => responseTexts(response).map((text) => ({ code: 'text', values: { text } })),
  fault: (_model, texts) => (texts.some((text) => text.length > PORTABLE_LIMITS.text) ? 'impossible' : null),
});
