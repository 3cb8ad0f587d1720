import fc from 'fast-check';
import { contrast } from './contrast';
import { mix, paletteOf, repaired } from './palette';
import { GRAPHIC_PAIRS, TEXT_PAIRS } from './schemes';

const colours = fc
  .integer({ min: 0, max: 0xffffff })
  .map((value) => `#${value.toString(16).padStart(6, '0')}`);

test('whatever two colors a student chooses, one press makes them readable, and everything made of them is', () => {
  fc.assert(
    fc.property(colours, colours, (ink, sheet) => {
      const own = repaired({ ink, sheet });
      expect(contrast(own.ink, own.sheet)).toBeGreaterThanOrEqual(7);
      const palette = paletteOf(own);
      for (const [text, ground] of TEXT_PAIRS)
        expect([text, ground, contrast(palette[text], palette[ground]) >= 7]).toEqual([text, ground, true]);
      for (const [sign, ground] of GRAPHIC_PAIRS)
        expect([sign, ground, contrast(palette[sign], palette[ground]) >= 3]).toEqual([sign, ground, true]);
    }),
    { numRuns: 300 },
  );
});
test('a pair that can be read is left as it was chosen', () => {
  expect(repaired({ ink: '#123456', sheet: '#ffffff' })).toEqual({ ink: '#123456', sheet: '#ffffff' });
});
test('gray on white becomes a darker gray; gray on gray moves both', () => {
  const onWhite = repaired({ ink: '#999999', sheet: '#ffffff' });
  expect(onWhite.sheet).toBe('#ffffff');
  expect(onWhite.ink).toMatch(/^#(\w\w)\1\1$/);
  const onGray = repaired({ ink: '#808080', sheet: '#808080' });
  expect(contrast(onGray.ink, onGray.sheet)).toBeGreaterThanOrEqual(7);
});
test('half way from black to white is middle gray', () => {
  expect(mix('#000000', '#ffffff', 0.5)).toBe('#808080');
});
