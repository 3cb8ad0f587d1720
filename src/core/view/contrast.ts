/** Relative luminance and contrast ratio (WCAG 2.2, "relative luminance", "contrast ratio"). */

function channel(value: number): number {
  const c = value / 255;
  return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
}

/** Luminance of `#rgb` or `#rrggbb`, from 0 (black) to 1 (white). @throws RangeError for anything else */
export function luminance(hex: string): number {
  const long = /^#([\da-f])([\da-f])([\da-f])$/i.test(hex) ? hex.replace(/[\da-f]/gi, '$&$&') : hex;
  const parts = /^#([\da-f]{2})([\da-f]{2})([\da-f]{2})$/i.exec(long);
  if (!parts) throw new RangeError(`"${hex}" is not a colour like #0e5a54`);
  const [r = 0, g = 0, b = 0] = parts.slice(1).map((part) => channel(parseInt(part, 16)));
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

/** Contrast ratio of two colours, from 1 to 21. */
export function contrast(a: string, b: string): number {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return ((light ?? 0) + 0.05) / ((dark ?? 0) + 0.05);
}
