import * as z from 'zod/mini';
import { contrast, luminance } from './contrast';
import type { Palette } from './schemes';

/** Two colours that a student reads best with; everything else on the screen is made from them. */
const colour = z.string().check(z.regex(/^#[\da-f]{6}$/i));
export const ownColours = z.object({ ink: colour, sheet: colour });
export type OwnColours = z.infer<typeof ownColours>;

/** What text must have (WCAG 2.2 §1.4.6) and what edges, rings and signs must have (§1.4.11). */
export const TEXT_CONTRAST = 7;
const GRAPHIC_CONTRAST = 3;

const channels = (hex: string): readonly number[] =>
  [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16));

/** A colour so far on the way from one to another, 0 to 1. Both `#rrggbb`. */
export function mix(from: string, to: string, share: number): string {
  const target = channels(to);
  return `#${channels(from)
    .map((value, i) => Math.round(value + ((target[i] ?? value) - value) * share))
    .map((value) => value.toString(16).padStart(2, '0'))
    .join('')}`;
}

/** Steps in which a colour is looked for on the way to one that is known to do. */
const STEPS = 20;

/** The colour nearest to the first, on the way to the second, that does; the second where none before does. */
function towards(from: string, to: string, does: (colour: string) => boolean): string {
  for (let step = 0; step < STEPS; step += 1) {
    const colour = mix(from, to, step / STEPS);
    if (does(colour)) return colour;
  }
  return to;
}

const isOn =
  (grounds: readonly string[], least: number) =>
  (colour: string): boolean =>
    grounds.every((ground) => contrast(colour, ground) >= least);

/** A ground of any color as it can lie under text: as far towards the page as all its text needs. */
export const groundUnder = (color: string, { sheet, ink, soft, accent }: Palette): string =>
  towards(color, sheet, isOn([ink, soft, accent], TEXT_CONTRAST));
/** Text of any color as it can be read on these grounds, on which the page's own text can. */
export const textOn = (color: string, grounds: readonly string[], { ink }: Palette): string =>
  towards(color, ink, isOn(grounds, TEXT_CONTRAST));
/** An edge of any color as it can be seen on them. */
export const graphicOn = (color: string, grounds: readonly string[], { ink }: Palette): string =>
  towards(color, ink, isOn(grounds, GRAPHIC_CONTRAST));

/**
 * Everything a screen is made of, from the colours of text and page. Where the two are 7:1, so is all text, and every edge and sign is
 * 3:1: each colour goes as far towards that of the text (or, for a ground, of the page) as it has to.
 */
export function paletteOf({ ink, sheet }: OwnColours): Palette {
  const dark = luminance(sheet) < luminance(ink);
  const groundOf = (tint: string, share: number) =>
    towards(mix(sheet, tint, share), sheet, isOn([ink], TEXT_CONTRAST));
  const ground = groundOf(dark ? '#000000' : ink, dark ? 0.4 : 0.06);
  const wash = groundOf(dark ? '#3d9488' : '#0e5a54', dark ? 0.3 : 0.12);
  const hereWash = groundOf('#f0ac4a', dark ? 0.2 : 0.3);
  const grounds = [ground, sheet, wash];
  const graphics = [...grounds, hereWash];
  const text = (hue: string) => towards(hue, ink, isOn(grounds, TEXT_CONTRAST));
  const graphic = (hue: string) => towards(hue, ink, isOn(graphics, GRAPHIC_CONTRAST));
  const accent = text(dark ? '#8fd3c7' : '#0e5a54');
  return {
    ground,
    sheet,
    ink,
    soft: text(mix(ink, sheet, 0.25)),
    edge: graphic(mix(ink, sheet, 0.5)),
    line: mix(sheet, ink, 0.25),
    accent,
    onAccent: towards(dark ? '#0d1a19' : '#ffffff', sheet, isOn([accent], TEXT_CONTRAST)),
    wash,
    here: graphic(dark ? '#f0ac4a' : '#b06a06'),
    hereWash,
    flag: graphic(dark ? '#ff9d85' : '#a83a26'),
    focus: graphic(dark ? '#ffd27a' : '#0b4f8a'),
    marigold: groundOf(dark ? '#8a6a10' : '#ffd24a', 0.6),
    kelp: groundOf(dark ? '#1f7a4c' : '#7ed08a', 0.5),
    heather: groundOf(dark ? '#7a4fa8' : '#c9a2e6', 0.5),
    surf: groundOf(dark ? '#17688f' : '#86c5ea', 0.5),
  };
}

/**
 * The nearest pair that can be read at 7:1: the text goes to black or white, whichever is away from the page; where that is not enough
 * the page goes the other way too.
 */
export function repaired({ ink, sheet }: OwnColours): OwnColours {
  if (contrast(ink, sheet) >= TEXT_CONTRAST) return { ink, sheet };
  const better = (to: string) => contrast(to, sheet);
  const darker = luminance(ink) <= luminance(sheet);
  const [wanted, other] = darker ? ['#000000', '#ffffff'] : ['#ffffff', '#000000'];
  if (better(wanted) >= TEXT_CONTRAST)
    return { ink: towards(ink, wanted, isOn([sheet], TEXT_CONTRAST)), sheet };
  if (better(other) >= TEXT_CONTRAST)
    return { ink: towards(ink, other, isOn([sheet], TEXT_CONTRAST)), sheet };
  return { ink: wanted, sheet: towards(sheet, other, isOn([wanted], TEXT_CONTRAST)) };
}
