import type { useTranslations } from 'use-intl';
import { saidMaths } from '@/core/interactions/saidMaths';
import { sayer } from '../../interactions/said';
import type { SpokenMaths } from './pieces';

/** Formulas in words: the author's own (`alttext`), else from their tree. */
export const spokenMaths =
  (t: ReturnType<typeof useTranslations<'said'>>): SpokenMaths =>
  (math) =>
    math.getAttribute('alttext') ?? sayer(t).phrase(saidMaths(typedOf(math)));

const argumentsOf = (element: Element): readonly string[] => [...element.children].map(typedOf);

/** MathML as it would be typed, which the reader of written maths takes (core/content/mathText does the same for content). */
function typedOf(element: Element): string {
  const parts = argumentsOf(element);
  const [a = '', b = ''] = parts;
  switch (element.localName) {
    case 'mfrac':
      return ` (${a})/(${b})`;
    case 'msup':
      return `${a}^(${b})`;
    case 'msub':
      return `${a}_${b}`;
    case 'msqrt':
      return `√(${parts.join('')})`;
    case 'mroot':
      return `(${a})^(1/(${b}))`;
    default:
      return parts.length > 0 ? parts.join('') : (element.textContent.trim() ?? '');
  }
}
