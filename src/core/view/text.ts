import * as z from 'zod/mini';

/** The shipped faces: hyper-legible, one wide and plain, one with heavy bottoms for dyslexia, one with serifs. */
export const FACES = ['legible', 'wide', 'weighted', 'serif'] as const;
export type Face = (typeof FACES)[number];

/** What each can be set to: line height as a factor; letters, words and paragraphs in em; a line's longest in letters (null = as wide as it is). */
export const TEXT_STEPS = {
  leading: [1.5, 1.75, 2, 2.5],
  letters: [0, 0.06, 0.12, 0.16],
  words: [0, 0.08, 0.16, 0.32],
  paragraphs: [0.5, 1, 1.5, 2],
  measure: [null, 60, 45, 35],
} as const;

/** How words are set. Every step works by itself and with every other; the last three suffice for WCAG 2.2 §1.4.12. */
export const textLook = z.object({
  face: z._default(z.enum(FACES), 'legible'),
  leading: z._default(z.number().check(z.minimum(1.5), z.maximum(2.5)), 1.5),
  letters: z._default(z.number().check(z.minimum(0), z.maximum(0.16)), 0),
  words: z._default(z.number().check(z.minimum(0), z.maximum(0.32)), 0),
  paragraphs: z._default(z.number().check(z.minimum(0.5), z.maximum(2)), 0.5),
  measure: z._default(z.nullable(z.number().check(z.minimum(20), z.maximum(200))), null),
});
export type TextLook = z.infer<typeof textLook>;
export const PLAIN_TEXT: TextLook = textLook.parse({});

/** Wider in every way at once: WCAG 2.2 §1.4.12, the values of the success criterion. */
export const WIDE_SPACING: Pick<TextLook, 'leading' | 'letters' | 'words' | 'paragraphs'> = {
  leading: 1.5,
  letters: 0.12,
  words: 0.16,
  paragraphs: 2,
};

const FAMILIES: Readonly<Record<Face, string>> = {
  legible: "'Plain Zero', 'Atkinson Hyperlegible Next', sans-serif",
  wide: "'Plain Zero', 'Lexend', sans-serif",
  weighted: "'OpenDyslexic', sans-serif",
  serif: "'Plain Zero', 'Source Serif 4', serif",
};

/** How much smaller a face is set where there is no room to be wide (the rail, the trail): as wide as the first face, measured by eye. */
const NARROW: Readonly<Record<Face, number>> = { legible: 1, wide: 0.92, weighted: 0.78, serif: 1 };

/** The text's custom properties for the page. */
export const textVariables = (look: TextLook): Readonly<Record<string, string>> => ({
  '--font': FAMILIES[look.face],
  '--narrow': String(NARROW[look.face]),
  '--leading': String(look.leading),
  '--letters': `${look.letters}em`,
  '--words': `${look.words}em`,
  '--paragraphs': `${look.paragraphs}em`,
  '--measure': look.measure === null ? 'none' : `${look.measure}ch`,
});
