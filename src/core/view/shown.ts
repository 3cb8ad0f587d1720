import { luminance } from './contrast';
import { paletteOf, type OwnColours } from './palette';
import { SCHEMES, type Palette, type SchemeId } from './schemes';

/** A scheme the page names, whether it is dark, and the palette: a scheme's, or that of the student's own two colors. */
export function shownColours({
  scheme,
  own,
}: {
  readonly scheme: SchemeId;
  readonly own: OwnColours | null;
}): {
  readonly scheme: SchemeId;
  readonly dark: boolean;
  readonly palette: Palette;
} {
  if (!own) return { scheme, dark: SCHEMES[scheme].dark, palette: SCHEMES[scheme].palette };
  const dark = luminance(own.sheet) < luminance(own.ink);
  return { scheme: dark ? 'dusk' : 'paper', dark, palette: paletteOf(own) };
}
