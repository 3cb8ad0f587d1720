import { COLORED, type StyleRule } from '../content/styles';
import { graphicOn, groundUnder, textOn } from './palette';
import type { Palette } from './schemes';

/**
 * A package's rules as CSS for what stands inside `scope`, in the colors of a student's scheme: a ground goes as far towards the page's as
 * all text on it needs, text as far towards the page's text as it needs on every one of those grounds, whatever stands in what (WCAG
 * 2.2, 1.4.6 and 1.4.11).
 * @param scope a selector of the element that the content stands in
 */
export function styleSheetOf(rules: readonly StyleRule[], scope: string, palette: Palette): string {
  const grounds = new Map(
    rules.flatMap(({ declarations }) =>
      declarations
        .filter(({ property }) => property === 'background-color')
        .map(({ value }) => [value, groundUnder(value, palette)] as const),
    ),
  );
  const under = [palette.sheet, palette.ground, ...grounds.values()];
  const shown = (property: string, value: string): string => {
    if (!COLORED.has(property)) return value;
    if (property === 'background-color') return grounds.get(value) ?? palette.sheet;
    return property === 'color' ? textOn(value, under, palette) : graphicOn(value, under, palette);
  };
  return rules
    .map(({ selectors, declarations }) => {
      const all = selectors.map((one) =>
        one.startsWith(':scope') ? one.replace(':scope', scope) : `${scope} ${one}`,
      );
      const body = declarations.map(({ property, value }) => `${property}: ${shown(property, value)};`);
      return `${all.join(', ')} { ${body.join(' ')} }`;
    })
    .join('\n');
}
