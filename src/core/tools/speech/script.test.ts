import { scriptOf, wordAt, type Piece } from './script';

/** Pieces one after another, as they stand on a page. */
function pieces(...parts: readonly (readonly [text: string, more?: Partial<Piece>])[]): Piece[] {
  let start = 0;
  return parts.map(([text, more = {}]) => {
    const piece = { text, start, language: 'en', block: 0, ...more };
    start += text.length;
    return piece;
  });
}
const page = (list: readonly Piece[]) => list.map(({ text }) => text).join('');
/** What is spoken, and what lights up with each word. */
const heard = (list: readonly Piece[]) =>
  scriptOf(list).map(({ words, spoken }) => [
    words.trim(),
    spoken.map(({ start, end }) => page(list).slice(start, end)),
  ]);

test('sentence by sentence, a word in two pieces as one', () => {
  expect(heard(pieces(['The night fer'], ['ry leaves. '], ['It is late.']))).toEqual([
    ['The night ferry leaves.', ['The', 'night', 'ferry', 'leaves']],
    ['It is late.', ['It', 'is', 'late']],
  ]);
});
test('a formula is spoken otherwise than it is written, and lights up as a whole', () => {
  expect(heard(pieces(['Add '], ['34', { say: '3 over 4' }], [' of a mile.']))).toEqual([
    ['Add  3 over 4  of a mile.', ['Add', '34', '34', '34', 'of', 'a', 'mile']],
  ]);
});
test('a picture without letters is spoken in its place', () => {
  const [only] = scriptOf(
    pieces(['See '], ['', { say: 'Picture: a lighthouse', block: 1 }], ['.', { block: 2 }]),
  ).slice(1);
  expect(only?.words.trim()).toBe('Picture: a lighthouse');
  expect([only?.start, only?.end]).toEqual([4, 4]);
});
test('cells, headings and another language are spoken by themselves', () => {
  const said = scriptOf(
    pieces(
      ['High tide', { block: 1 }],
      ['06:12', { block: 2, say: 'Monday: 06:12' }],
      ['¿Dónde está?', { block: 3, language: 'es' }],
    ),
  );
  expect(said.map(({ words, language }) => [words.trim(), language])).toEqual([
    ['High tide', 'en'],
    ['Monday: 06:12', 'en'],
    ['¿Dónde está?', 'es'],
  ]);
});
test('blanks and marks alone say nothing', () => {
  expect(scriptOf(pieces(['  \n '], [' — ', { block: 1 }]))).toEqual([]);
});
test('words follow one another through the sound, and none is left out', () => {
  const [sentence] = scriptOf(pieces(['One two, three.']));
  if (!sentence) throw new Error('nothing to say');
  const seen = Array.from({ length: 101 }, (_, i) => wordAt(sentence, i / 100));
  expect(seen[0]).toBe(0);
  expect(seen.at(-1)).toBe(2);
  expect([...new Set(seen)]).toEqual([0, 1, 2]);
  expect([...seen].sort((a, b) => a - b)).toEqual(seen);
});
