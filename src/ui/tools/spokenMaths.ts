import type { useTranslations } from 'use-intl';
import type { ContentNode } from '@/core/content/content';
import { mathText } from '@/core/content/mathText';
import { saidMaths } from '@/core/interactions/saidMaths';
import { sayer } from '../interactions/said';
import { inManner, mannerFor } from '../content/formulas/engine';

/** MathML of the page as content, which is what formulas are read from. */
const nodesOf = (node: Node): readonly ContentNode[] => {
  if (node instanceof Text) return [{ kind: 'text', text: node.data }];
  if (!(node instanceof Element)) return [];
  const children = [...node.childNodes].flatMap(nodesOf);
  return [{ kind: 'element', namespace: 'math', name: node.localName, attributes: {}, children }];
};

/** The language an element stands in (BCP 47). */
export const languageOf = (element: Element | null): string =>
  element?.closest<HTMLElement>('[lang]')?.lang || document.documentElement.lang || 'en';

/** A formula of the page, as the engine takes it. */
export const mathmlOf = (math: Element): string => new XMLSerializer().serializeToString(math);

/** Formulas in words: the author's own (`alttext`), else as people say them in their language, else as they would be typed, said. */
export const spokenMaths =
  (t: ReturnType<typeof useTranslations<'said'>>) =>
  (math: Element): string => {
    const manner = mannerFor(languageOf(math));
    return (
      math.getAttribute('alttext') ??
      (manner && inManner(mathmlOf(math), manner)) ??
      sayer(t).phrase(saidMaths(nodesOf(math).map(mathText).join('')))
    );
  };
