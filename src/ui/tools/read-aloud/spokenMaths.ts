import type { useTranslations } from 'use-intl';
import type { ContentNode } from '@/core/content/content';
import { mathText } from '@/core/content/mathText';
import { saidMaths } from '@/core/interactions/saidMaths';
import { sayer } from '../../interactions/said';
import type { SpokenMaths } from './pieces';

/** MathML of the page as content, which is what formulas are read from. */
const nodesOf = (node: Node): readonly ContentNode[] => {
  if (node instanceof Text) return [{ kind: 'text', text: node.data }];
  if (!(node instanceof Element)) return [];
  const children = [...node.childNodes].flatMap(nodesOf);
  return [{ kind: 'element', namespace: 'math', name: node.localName, attributes: {}, children }];
};

/** Formulas in words: the author's own (`alttext`), else as they would be typed, said. */
export const spokenMaths =
  (t: ReturnType<typeof useTranslations<'said'>>): SpokenMaths =>
  (math) =>
    math.getAttribute('alttext') ?? sayer(t).phrase(saidMaths(nodesOf(math).map(mathText).join('')));
