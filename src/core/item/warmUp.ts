import { interactionsOf, walkContent, type Content } from '../content/content';
import type { RawResponse } from '../content/response';
import type { ResponseShape } from '../interactions/types';

/** The kinds of interaction in a test, in the order they are first met (work.md, A8). */
export const kindsIn = (items: Iterable<{ readonly body: Content }>): string[] => [
  ...new Set([...items].flatMap(({ body }) => interactionsOf(body).map(({ type }) => type))),
];

/** Whether something of a test sounds, in its questions or the texts beside them, so that sound is tried before it counts. */
export const hasSound = (contents: Iterable<{ readonly body: Content }>): boolean =>
  [...contents].some(({ body }) =>
    [...walkContent(body)].some(
      (node) =>
        (node.kind === 'element' && (node.name === 'audio' || node.name === 'video')) ||
        (node.kind === 'interaction' && node.interaction.type === 'media'),
    ),
  );

/** Whether two answers are the same: in what has no order, the order in which it was given makes no difference. */
export function isSameAnswer(a: RawResponse, b: RawResponse, { cardinality }: ResponseShape): boolean {
  const plain = (response: RawResponse): string => {
    if (response === null || typeof response === 'string') return JSON.stringify([response]);
    if (!Array.isArray(response)) return JSON.stringify(Object.entries(response).sort());
    return JSON.stringify(cardinality === 'multiple' ? [...(response as string[])].sort() : response);
  };
  return plain(a) === plain(b);
}
