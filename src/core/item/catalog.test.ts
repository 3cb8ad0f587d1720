import { cardsFor, type Catalog } from './catalog';

const card = (support: string, language: string | null, text: string) => ({
  support,
  language,
  content: [{ kind: 'text' as const, text }],
});
const CATALOG: Catalog = {
  lee: [
    card('glossary-on-screen', null, 'the side away from the wind'),
    card('keyword-translation', 'es', 'sotavento'),
    card('keyword-translation', 'so', 'dabaysha'),
    card('ext:tide-table', null, 'see the table'),
  ],
  almanac: [card('keyword-translation', 'es-MX', 'almanaque')],
};
const shown = (supports: readonly string[], languages: readonly string[] = []) =>
  Object.entries(cardsFor(CATALOG, { supports, languages })).map(([id, cards]) => [
    id,
    cards.map(({ support, language }) => language ?? support),
  ]);

test.each([
  ['nothing asked for', [], [], []],
  ['the glossary', ['glossary-on-screen'], [], [['lee', ['glossary-on-screen']]]],
  [
    'Spanish words',
    ['keyword-translation'],
    ['es'],
    [
      ['lee', ['es']],
      ['almanac', ['es-MX']],
    ],
  ],
  ['Somali words', ['keyword-translation'], ['so'], [['lee', ['so']]]],
  ['translation without a language', ['keyword-translation'], [], []],
  ['a support of a program’s own', ['ext:tide-table'], [], [['lee', ['ext:tide-table']]]],
])('%s', (_name, supports, languages, expected) => {
  expect(shown(supports, languages)).toEqual(expected);
});
