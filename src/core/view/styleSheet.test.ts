import { contrast } from './contrast';
import { SCHEMES, type SchemeId } from './schemes';
import { shownColours } from './shown';
import { styleSheetOf } from './styleSheet';
import type { StyleRule } from '../content/styles';

const rule = (selector: string, declarations: Record<string, string>): StyleRule => ({
  selectors: [selector],
  declarations: Object.entries(declarations).map(([property, value]) => ({ property, value })),
});
const HUES = ['#ff0000', '#ffff00', '#00ff00', '#0000ff', '#777777', '#ffffff', '#000000', '#c0ffee'];

test('rules hold for what stands inside, and for the whole', () => {
  const { palette } = shownColours({ scheme: 'paper', own: null });
  const css = styleSheetOf(
    [
      rule(':scope', { 'text-align': 'center' }),
      rule('.a > b', { 'font-weight': 'bold' }),
      rule(':scope p', { 'text-indent': '1em' }),
    ],
    '[data-x="1"]',
    palette,
  );
  expect(css.split('\n')).toEqual([
    '[data-x="1"] { text-align: center; }',
    '[data-x="1"] .a > b { font-weight: bold; }',
    '[data-x="1"] p { text-indent: 1em; }',
  ]);
});

describe.each(Object.keys(SCHEMES) as SchemeId[])('in %s', (scheme) => {
  const { palette } = shownColours({ scheme, own: null });
  const rules = HUES.map((hue, i) =>
    rule(`.h${i}`, { color: hue, 'background-color': hue, 'border-top-color': hue }),
  );
  const css = styleSheetOf(rules, '.s', palette);
  const all = (property: string) =>
    [...css.matchAll(new RegExp(`[ {]${property}: (#[0-9a-f]{6})`, 'g'))].map((found) => found[1] ?? '');
  const grounds = [...all('background-color'), palette.sheet];
  test('every text has 7:1 on every ground, its own and any other (WCAG 2.2, 1.4.6)', () => {
    const texts = [...all(' color'), palette.ink, palette.soft];
    expect(all(' color')).toHaveLength(HUES.length);
    const worst = Math.min(...texts.flatMap((text) => grounds.map((ground) => contrast(text, ground))));
    expect(worst).toBeGreaterThanOrEqual(7);
  });
  test('every edge has 3:1 on every ground (WCAG 2.2, 1.4.11)', () => {
    const edges = all('border-top-color');
    const worst = Math.min(...edges.flatMap((edge) => grounds.map((ground) => contrast(edge, ground))));
    expect(worst).toBeGreaterThanOrEqual(3);
  });
});
