import fc from 'fast-check';
import { anchorAt, resolveAnchor } from './anchor';
import { paint, type Range } from './ranges';

const range = (start: number, end: number, colour = 'kelp'): Range => ({ start, end, colour });

describe('painting stretches of a text', () => {
  test.each<[string, Range[], Range[]]>([
    ['what touches in the same colour joins', paint([range(0, 5)], 5, 9, 'kelp'), [range(0, 9)]],
    [
      'another colour cuts through',
      paint([range(0, 9)], 3, 5, 'heather'),
      [range(0, 3), range(3, 5, 'heather'), range(5, 9)],
    ],
    ['part of one can be taken away', paint([range(0, 9)], 3, 5, null), [range(0, 3), range(5, 9)]],
    ['nothing is painted over nothing', paint([range(0, 9)], 4, 4, 'heather'), [range(0, 9)]],
  ])('%s', (_name, painted, expected) => {
    expect(painted).toEqual(expected);
  });
  test('every place has the colour that was painted last, and stretches never overlap', () => {
    const stroke = fc.tuple(fc.nat(40), fc.nat(40), fc.constantFrom('kelp', 'heather', null));
    fc.assert(
      fc.property(fc.array(stroke, { maxLength: 25 }), (strokes) => {
        const expected: (string | null)[] = Array.from({ length: 41 }, () => null);
        let ranges: Range[] = [];
        for (const [a, b, colour] of strokes) {
          ranges = paint(ranges, Math.min(a, b), Math.max(a, b), colour);
          for (let at = Math.min(a, b); at < Math.max(a, b); at += 1) expected[at] = colour;
        }
        const actual = expected.map((_none, at) =>
          ranges.filter((one) => one.start <= at && at < one.end).map((one) => one.colour),
        );
        expect(actual).toEqual(expected.map((colour) => (colour === null ? [] : [colour])));
      }),
    );
  });
});

describe('anchors find their words again', () => {
  const text = 'two flashes and a rest, two flashes and a pause';
  test('by position, then by the nearest same words', () => {
    const anchor = anchorAt(text, 24, 35);
    expect(anchor.exact).toBe('two flashes');
    expect(resolveAnchor(text, anchor)).toEqual({ start: 24, end: 35 });
    expect(resolveAnchor(`Now: ${text}`, anchor)).toEqual({ start: 29, end: 40 });
  });
  test('words that are gone are not found somewhere else', () => {
    expect(resolveAnchor('nothing of the kind', anchorAt(text, 0, 11))).toBeNull();
  });
});
