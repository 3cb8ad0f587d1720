import { KEYPADS, EQUATION_MODES, type EquationModel, pick, equation } from './index';
import { defineReader } from '../reading';

/** Reads `urn:able-compass:equation`. */
export const equationReader = defineReader<EquationModel>({
  kind: equation,
  element: 'urn:able-compass:equation',
  binds: [{ cardinality: 'single', baseTypes: ['string'] }],
  read(element) {
    const { attributes } = element;
    const mode = pick(attributes['data-mode'], EQUATION_MODES, 'expression');
    return {
      keypad: pick(attributes['data-keypad'], KEYPADS, 'all'),
      mode,
      prefix: attributes['data-prefix'] ?? '',
      suffix: attributes['data-suffix'] ?? '',
    };
  },
});
