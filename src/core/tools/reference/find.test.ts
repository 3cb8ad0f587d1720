import fc from 'fast-check';
import { findAll, MOST_FOUND } from '.';

const wordsAt = (text: string, sought: string) =>
  findAll(text, sought).map(({ start, end }) => text.slice(start, end));

test('words are found where they stand, whatever their case, accents and blanks', () => {
  expect(findAll('Area of a circle: πr²', 'AREA')).toEqual([{ start: 0, end: 4 }]);
  expect(wordsAt('El área y el Area', 'area')).toEqual(['área', 'Area']);
  expect(wordsAt('Sea\n   level, sealevel', 'sea level')).toEqual(['Sea\n   level', 'sealevel']);
});
test('signs are signs, not patterns', () => {
  expect(wordsAt('a (b + c)² = ab', '(b + c)')).toEqual(['(b + c)']);
  expect(findAll('abc', '.')).toEqual([]);
  expect(wordsAt('x - y', '-')).toEqual(['-']);
});
test('letters outside the first plane and letters that fold to more than one keep their places', () => {
  expect(wordsAt('𝑥 and İstanbul, 𝑥', 'istanbul')).toEqual(['İstanbul']);
  expect(wordsAt('😀 ab', 'ab')).toEqual(['ab']);
});
test('nothing sought, nothing found; and never more than can be walked through', () => {
  expect(findAll('abc', '  ')).toEqual([]);
  expect(findAll('a'.repeat(2_000), 'a')).toHaveLength(MOST_FOUND);
});
test('whatever is cut out of a text is found in it', () => {
  fc.assert(
    fc.property(fc.string({ minLength: 1 }), fc.nat(), fc.nat(), (text, a, b) => {
      const [start, end] = [a % text.length, (b % text.length) + 1];
      const sought = text.slice(Math.min(start, end), Math.max(start, end));
      fc.pre(sought.trim() !== '' && !/[\uD800-\uDFFF]/.test(text) && !/\p{M}/u.test(text));
      expect(findAll(text, sought).length).toBeGreaterThan(0);
    }),
  );
});
