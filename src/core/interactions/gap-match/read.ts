import { type GapMatchModel, gapMatch } from './index';
import { readOffer, defineReader } from '../reading';
import { walkContent } from '../../content/content';
import { childOf, elementsOf, booleanAttribute, numberAttribute } from '../../xml/xml';

/** Reads `qti-gap-match-interaction`. */
export const gapMatchReader = defineReader<GapMatchModel>({
  kind: gapMatch,
  element: 'qti-gap-match-interaction',
  binds: [
    { cardinality: 'multiple', baseTypes: ['directedPair'] },
    { cardinality: 'single', baseTypes: ['directedPair'] },
  ],
  read(element, context) {
    const choiceElements = elementsOf(element).filter((child) => /^qti-gap-(text|img)$/.test(child.name));
    const prompt = childOf(element, 'qti-prompt');
    const content = context.content({
      ...element,
      children: element.children.filter(
        (child) => child.kind === 'text' || (!choiceElements.includes(child) && child !== prompt),
      ),
    });
    const gaps: string[] = [];
    for (const node of walkContent(content))
      if (node.kind === 'place' && node.role === 'gap') gaps.push(node.identifier);
    if (gaps.length === 0)
      context.report.error('no-gaps', element.line, 'a gap match interaction has no gaps');
    if (choiceElements.length === 0)
      context.report.error('no-choices', element.line, 'a gap match interaction has nothing to place');
    return {
      choices: choiceElements.map((child) => ({
        ...readOffer(child, context),
        content: context.content(child),
        matchMax: numberAttribute(child, 'match-max', 1),
      })),
      content,
      gaps,
      minimum: numberAttribute(element, 'min-associations', 0),
      maximum: numberAttribute(element, 'max-associations', 0),
      shuffle: booleanAttribute(element, 'shuffle', false),
    };
  },
});
