import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import english from '@messages/en.json';
import { INTERACTIONS } from '@/core/interactions';
import { SHOWN_BY } from '@/core/item/materials';
import { defaultLetters, KEYS, lettersOf, withLetter } from './player/keys';
import { TOOLS } from './tools';

function sources(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return sources(path);
    return /\.ts$/.test(entry.name) && !/\.test\./.test(entry.name) ? [readFileSync(path, 'utf8')] : [];
  });
}

test('every code that an interaction can miss has its words', () => {
  const codes = new Set(
    sources('src/core/interactions').flatMap((text) =>
      [...text.matchAll(/(?:empty|partial)\('([A-Za-z]+)'/g)].map((found) => found[1] ?? ''),
    ),
  );
  expect(codes.size).toBeGreaterThan(5);
  expect([...codes].filter((code) => !Object.hasOwn(english.missing, code))).toEqual([]);
});

test('every interaction of the core has its look, and no look is without one', () => {
  const registry = readFileSync('src/ui/interactions/index.ts', 'utf8');
  const folders = readdirSync('src/ui/interactions', { withFileTypes: true })
    .filter((entry) => entry.isDirectory() && entry.name !== 'shared')
    .map((entry) => entry.name);
  expect(folders.sort()).toEqual(INTERACTIONS.map((one) => one.type).sort());
  for (const folder of folders) expect(registry).toContain(`from './${folder}'`);
});

/** Every key of messages/, with its dots. */
function keysIn(words: object, above = ''): string[] {
  return Object.entries(words).flatMap(([name, value]) =>
    typeof value === 'string' ? [`${above}${name}`] : keysIn(value as object, `${above}${name}.`),
  );
}
/** Sources of everything that speaks to people. */
const spoken = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return spoken(path);
    return /\.tsx?$/.test(entry.name) && !/\.test\./.test(entry.name) ? [readFileSync(path, 'utf8')] : [];
  });

/**
 * Keys that are put together while running: each by the list its last part comes from. A key that is missing does not compile
 * (kit/appConfig.d.ts); one that nothing says any more is found here.
 */
test('every word of the interface is used', () => {
  const text = [
    ...spoken('src/ui'),
    ...spoken('src/core'),
    ...spoken('src/server'),
    ...spoken('src/app'),
  ].join('\n');
  const literals = new Set(
    [...text.matchAll(/['"`]([\w.-]+)['"`]|(?<=[{,]\s*)([\w-]+)(?=\s*[:,}])/g)].map(
      (found) => found[1] ?? found[2] ?? '',
    ),
  );
  /** Beginnings of keys that end in a value: t(`did.${how}`). */
  const openEnds = [...text.matchAll(/`([\w.-]*)\$\{/g)].map((found) => found[1] ?? '').filter(Boolean);
  const middles = [...text.matchAll(/\}([\w.-]+)`/g)].map((found) => found[1] ?? '').filter(Boolean);
  const isUsed = (key: string): boolean => {
    const parts = key.split('.');
    return parts.some((_, i) => {
      const tail = parts.slice(i).join('.');
      if (literals.has(tail)) return true;
      if (middles.some((end) => tail.endsWith(end) && literals.has(tail.slice(0, -end.length)))) return true;
      return openEnds.some(
        (begin) =>
          tail.startsWith(begin) &&
          (literals.has(tail.slice(begin.length)) || middles.some((end) => tail.endsWith(end))),
      );
    });
  };
  expect(keysIn(english).filter((key) => !isUsed(key))).toEqual([]);
});

test('every tool has its name, what it does and how it is used, in words', () => {
  for (const { id } of TOOLS) {
    const words = (english.tools as Readonly<Record<string, unknown>>)[id];
    const some = expect.stringMatching(/\w{3}/) as string;
    expect(words).toMatchObject({ name: some, about: some, lesson: some });
  }
});

test('letters of keys are told apart, and a tool put in between changes no other', () => {
  const before = defaultLetters(TOOLS);
  expect(new Set(before.values()).size).toBe(before.size);
  const hello = { id: 'hello', letter: TOOLS[0]?.letter ?? 'R' };
  const after = defaultLetters([...TOOLS.slice(0, 2), hello, ...TOOLS.slice(2)]);
  for (const [id, letter] of before) expect(after.get(id)).toBe(letter);
  expect([...before.values()]).not.toContain(after.get('hello'));
});

test('a letter in use is exchanged; what is no letter, or the browser’s own, changes nothing', () => {
  const settings = { on: true, letters: {} };
  const before = lettersOf(settings);
  const [lens = '', next = ''] = [before.get('lens'), before.get('next')];
  const after = lettersOf(withLetter(settings, 'next', lens.toLowerCase()));
  expect([after.get('next'), after.get('lens')]).toEqual([lens, next]);
  expect(new Set(after.values()).size).toBe(after.size);
  for (const text of ['', '1', 'é', 'd', 'ab']) expect(withLetter(settings, 'next', text)).toBe(settings);
  expect(KEYS.schema.safeParse(withLetter(settings, 'next', lens)).success).toBe(true);
});

/** The spelling of other countries, by its stems. The interface and the demo are in one English, that of the United States. */
const ELSEWHERE =
  /\b\w*(colour|harbour|neighbour|favour|grey|centre|metre|litre|maths|catalogue|programme|cancell|labell|travell|organis|recognis|realis|practis|licenc|learnt|whilst)\w*/gi;
const wordsOf = (value: unknown): string[] => {
  if (typeof value === 'string') return [value.replace(/\{\w+/g, '')];
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(wordsOf) : [];
};
test('everything a person reads is in one English', () => {
  const paths = readdirSync('content', { recursive: true, encoding: 'utf8' });
  const content = paths
    .filter((path) => /\.(xml|svg|vtt)$/.test(path))
    .map((path) =>
      readFileSync(join('content', path), 'utf8').replace(/(?:src|href|xmlns|identifier)="[^"]*"/g, ''),
    );
  const found = [...wordsOf(english), ...content].flatMap((text) => text.match(ELSEWHERE) ?? []);
  expect(found).toEqual([]);
});

test('what a tool shows of a question is taken out with it by the same name', () => {
  const brought = TOOLS.flatMap(({ id, access }) =>
    typeof access === 'object' ? [[access.brought, id]] : [],
  );
  expect(Object.fromEntries(brought)).toEqual(SHOWN_BY);
});
