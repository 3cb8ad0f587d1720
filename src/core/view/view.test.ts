import { contrast, luminance } from './contrast';
import { isTight, layoutFor, stepMagnification } from './layout';
import { lineAt, linesOf, windowOf } from './lines';
import { GRAPHIC_PAIRS, SCHEMES, TEXT_PAIRS } from './schemes';

describe('contrast, against published ratios (WCAG 2.2 and its Understanding documents)', () => {
  test.each([
    ['#000000', '#ffffff', 21],
    ['#777777', '#ffffff', 4.48],
    ['#767676', '#ffffff', 4.54],
    ['#949494', '#ffffff', 3.03],
    ['#0000ff', '#ffffff', 8.59],
    ['#fff', '#fff', 1],
  ])('%s on %s is %d:1', (a, b, ratio) => {
    expect(Math.round(contrast(a, b) * 100) / 100).toBe(ratio);
    expect(contrast(b, a)).toBe(contrast(a, b));
  });
  test('what is no colour is refused', () => {
    expect(() => luminance('red')).toThrow(RangeError);
  });
});

describe.each(Object.values(SCHEMES))('scheme $id', ({ palette }) => {
  test.each(TEXT_PAIRS)('text %s on %s is at least 7:1', (text, ground) => {
    expect(contrast(palette[text], palette[ground])).toBeGreaterThanOrEqual(7);
  });
  test.each(GRAPHIC_PAIRS)('graphics %s on %s are at least 3:1', (mark, ground) => {
    expect(contrast(palette[mark], palette[ground])).toBeGreaterThanOrEqual(3);
  });
});

describe('layout by what is left after magnifying', () => {
  test.each([
    [1280, 800, 1, 'wide'],
    [1366, 768, 1, 'wide'],
    [1280, 800, 1.5, 'wide'],
    [1280, 800, 2, 'narrow'],
    [1280, 800, 4, 'narrow'],
    [768, 1024, 1, 'stacked'],
    [320, 568, 1, 'narrow'],
  ])('%d × %d at %d is %s', (width, height, magnification, layout) => {
    expect(layoutFor(width, height, magnification)).toBe(layout);
  });
  test('words give way in the one line of a phone, and of 1280 pixels at 400 per cent', () => {
    expect([isTight(640, 1), isTight(1280, 4), isTight(320, 1)]).toEqual([false, true, true]);
  });
  test('steps stop at 100 and 400 per cent', () => {
    expect([stepMagnification(1, -1), stepMagnification(1, 1), stepMagnification(4, 1)]).toEqual([
      1, 1.25, 4,
    ]);
  });
});

describe('lines of text', () => {
  const box = (top: number, bottom: number, left = 0) => ({ top, bottom, left, right: left + 50 });
  test('pieces side by side are one line; an exponent belongs to its line', () => {
    const lines = linesOf([box(0, 20), box(2, 20, 50), box(-4, 8, 100), box(26, 46)]);
    expect(lines).toEqual([
      { top: -4, bottom: 20 },
      { top: 26, bottom: 46 },
    ]);
    expect(lineAt(lines, 30)).toBe(1);
    expect(lineAt(lines, -100)).toBe(0);
    expect(lineAt([], 0)).toBe(-1);
  });
  test('a window of several lines stays inside the text', () => {
    const lines = [0, 30, 60].map((top) => ({ top, bottom: top + 20 }));
    expect(windowOf(lines, 1, 2)).toEqual({ top: 30, bottom: 80 });
    expect(windowOf(lines, 9, 3)).toEqual({ top: 60, bottom: 80 });
    expect(windowOf([], 0, 1)).toBeNull();
  });
});
