import { matchesPattern } from './pattern';
import { translateXsdPattern } from '../xml/xsdPattern';

/** XML Schema Part 2, appendix F, "Regular expressions" (from memory): pattern, texts that fit, texts that do not. */
const TABLE: readonly [pattern: string, fits: readonly string[], not: readonly string[]][] = [
  ['abc', ['abc'], ['xabc', 'abcx', '']],
  ['', [''], ['a']],
  ['a|bc', ['a', 'bc'], ['ab', 'c']],
  ['(a|b)c', ['ac', 'bc'], ['a']],
  ['a?b*c+', ['c', 'abbcc'], ['ab']],
  ['a{2}', ['aa'], ['a', 'aaa']],
  ['a{1,2}', ['a', 'aa'], ['', 'aaa']],
  ['a{2,}', ['aa', 'aaaa'], ['a']],
  // No anchors: both signs are letters like any other.
  ['^a$', ['^a$'], ['a']],
  ['a.c', ['abc', 'a\tc'], ['a\nc', 'a\rc', 'ac']],
  ['\\d+', ['12', '٣٤'], ['1a', '']],
  ['[0-9]+', ['12'], ['٣٤']],
  ['\\D', ['x'], ['7']],
  ['\\w+', ['ebb', 'Ærø', '7', '+'], ['a b', 'a.b', '!']],
  ['\\W', [' ', '.'], ['a', '7']],
  ['\\s', [' ', '\t', '\n'], ['\u00a0', 'a']],
  ['\\S', ['a', '\u00a0'], [' ']],
  ['\\i\\c*', ['name', '_n-1.2', ':a'], ['1a', '-a']],
  ['\\I', ['1', '-'], ['a']],
  ['[\\i-[:]][\\c-[:]]*', ['name'], ['a:b', ':']],
  ['[a-z-[aeiou]]+', ['brk'], ['bark', '']],
  ['[a-z-[m-p-[o]]]+', ['loss'], ['man', 'pen']],
  ['[^a-c]', ['d', '^'], ['a']],
  ['[^a-z-[x]]', ['A'], ['x', 'b']],
  ['[\\w-[\\d_]]+', ['abc'], ['a1']],
  ['[-a]', ['-', 'a'], ['b']],
  ['[a-]', ['-', 'a'], ['b']],
  ['[a^]', ['^', 'a'], ['b']],
  ['[.*+?]', ['.', '*'], ['a']],
  ['\\p{L}+', ['abcé', 'Жя'], ['a1']],
  ['\\p{Lu}\\p{Ll}*', ['Wren'], ['wren']],
  ['\\P{N}+', ['ab!'], ['a1']],
  ['\\p{IsGreek}+', ['πρ'], ['pi']],
  ['\\P{IsBasicLatin}', ['é'], ['e']],
  ['[\\P{L}]', ['1'], ['a']],
  ['\\.\\\\\\?\\*\\+\\(\\)\\[\\]\\{\\}\\|\\-\\^', ['.\\?*+()[]{}|-^'], ['']],
  ['\\n\\t\\r', ['\n\t\r'], ['ntr']],
  ['a/b', ['a/b'], ['ab']],
  ['😀+', ['😀😀'], ['a']],
  ['[😀-😂]', ['😁'], ['😃']],
];
test.each(TABLE)('%s', (pattern, fits, not) => {
  for (const text of fits) expect([text, matchesPattern(text, pattern)]).toEqual([text, true]);
  for (const text of not) expect([text, matchesPattern(text, pattern)]).toEqual([text, false]);
  // A browser checks a mask with its own engine and must say the same.
  const own = new RegExp(`^(?:${translateXsdPattern(pattern) ?? ''})$`, 'u');
  for (const text of fits) expect(own.test(text)).toBe(true);
  for (const text of not) expect(own.test(text)).toBe(false);
});
test.each([
  '(a',
  'a)',
  '[a',
  '*a',
  'a**',
  '(?:a)',
  'a{3,2}',
  'a{x}',
  '\\q',
  '\\1',
  '[]',
  '[b-a]',
  '\\p{Nope}',
  '\\p{IsNowhere}',
  'a??',
  '{',
  '}',
])('%s is no pattern', (pattern) => expect(matchesPattern('a', pattern)).toBeNull());
test('a pattern that others would try for ever is decided', () => {
  expect(matchesPattern('a'.repeat(50_000), '(a*)*b')).toBe(false);
});
