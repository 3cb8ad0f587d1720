import { z } from 'zod';
import type { Anchor } from './anchor';

/** A mark on a text: where, which words, and its colour. */
export interface Mark extends Anchor {
  readonly colour: string;
}
/** Marks by the text they are on (`item:REF`, `stimulus:ID`). */
export type Marks = Readonly<Record<string, readonly Mark[]>>;

const CONTEXT = 'http://www.w3.org/ns/anno.jsonld';
/** What a text is called outside this program. */
const SOURCE = 'urn:able-compass:text:';

const position = z.object({
  type: z.literal('TextPositionSelector'),
  start: z.number().int().nonnegative(),
  end: z.number().int().nonnegative(),
});
const quote = z.object({ type: z.literal('TextQuoteSelector'), exact: z.string() });
const annotation = z.object({
  '@context': z.literal(CONTEXT),
  id: z.string(),
  type: z.literal('Annotation'),
  motivation: z.literal('highlighting'),
  body: z.object({ type: z.literal('TextualBody'), purpose: z.literal('tagging'), value: z.string() }),
  target: z.object({
    source: z.string().startsWith(SOURCE),
    selector: z.array(z.discriminatedUnion('type', [position, quote])),
  }),
});
export type WebAnnotation = z.infer<typeof annotation>;

/**
 * Marks as W3C Web Annotations (Web Annotation Data Model, 2017): one annotation a mark, its place by position and by quotation
 * (§4.2.4, §4.2.5), its colour as a tag.
 * @param owner whose they are, for the identifiers, e.g. an attempt's id
 */
export const toWebAnnotations = (marks: Marks, owner: string): readonly WebAnnotation[] =>
  Object.entries(marks).flatMap(([text, list]) =>
    list.map(({ start, end, exact, colour }) => ({
      '@context': CONTEXT,
      id: `urn:able-compass:mark:${encodeURIComponent(owner)}:${encodeURIComponent(text)}:${start}-${end}`,
      type: 'Annotation',
      motivation: 'highlighting',
      body: { type: 'TextualBody', purpose: 'tagging', value: colour },
      target: {
        source: `${SOURCE}${encodeURIComponent(text)}`,
        selector: [
          { type: 'TextPositionSelector', start, end },
          { type: 'TextQuoteSelector', exact },
        ],
      },
    })),
  );

/**
 * Marks from W3C Web Annotations.
 * @throws z.ZodError with the path of what cannot be read; RangeError for one without a place, or one that ends before it begins
 */
export function fromWebAnnotations(json: unknown): Marks {
  const marks = new Map<string, Mark[]>();
  for (const [i, { body, target }] of z.array(annotation).parse(json).entries()) {
    const at = target.selector.find((one) => one.type === 'TextPositionSelector');
    const words = target.selector.find((one) => one.type === 'TextQuoteSelector');
    if (!at || !words || at.end <= at.start)
      throw new RangeError(`annotation ${i + 1} has no place in a text`);
    const text = decodeURIComponent(target.source.slice(SOURCE.length));
    const mark = { start: at.start, end: at.end, exact: words.exact, colour: body.value };
    marks.set(text, [...(marks.get(text) ?? []), mark]);
  }
  return Object.fromEntries(marks);
}
