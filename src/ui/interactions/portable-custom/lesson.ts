import type { PortableCustomModel } from '@/core/interactions/portable-custom';
import { lessonOf } from '../lesson';

/** A program as small as can be: a field for a word. */
const SAMPLE = `define(['qtiCustomInteractionContext'], function (context) {
  context.register({
    typeIdentifier: 'urn:able-compass:sample',
    getInstance: function (dom, configuration) {
      var field = document.createElement('input');
      var bound = configuration.boundTo[configuration.responseIdentifier];
      field.setAttribute('aria-label', 'A word');
      field.value = (bound && bound.base && bound.base.string) || '';
      dom.appendChild(field);
      configuration.onready({
        getResponse: function () { return { base: field.value === '' ? null : { string: field.value } }; },
        getState: function () { return ''; }
      });
    }
  });
});`;

/** What "How to answer" shows of this interaction. */
export const lesson = lessonOf<PortableCustomModel>(
  {
    type: 'portable-custom',
    typeIdentifier: 'urn:able-compass:sample',
    module: 'sample',
    modules: [{ id: 'sample', source: SAMPLE }],
    properties: {},
    markup: '',
    files: [],
    variables: [],
    values: {},
  },
  { cardinality: 'single', baseType: 'string' },
  [null, 'tide'],
  'nothing',
);
