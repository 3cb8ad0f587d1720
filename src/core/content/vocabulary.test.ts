import { readFileSync } from 'node:fs';
import { isHonoured, vocabularyOf } from './vocabulary';

/** Honoured where nothing has to be drawn for it: by a reader, or because it is so anyway. */
const WITHOUT_LOOKS = new Set([
  ...['qti-match-tabular', 'qti-counter-up', 'qti-counter-down', 'qti-orientation-horizontal'],
  ...[
    'qti-orientation-vertical',
    'qti-labels-none',
    'qti-labels-suffix-period',
    'qti-choices-top',
    'qti-layout-col12',
  ],
]);

test('every class that is drawn is honoured, and every class that is honoured is drawn or read', () => {
  const css = readFileSync('src/ui/content/vocabulary.css', 'utf8');
  const drawn = new Set(css.match(/\.qti-[a-z0-9-]+/g)?.map((name) => name.slice(1)));
  expect([...drawn].filter((name) => !isHonoured(name))).toEqual([]);
  expect(drawn.size).toBeGreaterThan(50);
  const source = readFileSync('src/core/content/vocabulary.ts', 'utf8');
  const named = [...source.matchAll(/[a-z]+(?:-[a-z]+)*/g)]
    .map(([name]) => `qti-${name}`)
    .filter((name) => isHonoured(name));
  expect(named.length).toBeGreaterThan(40);
  expect(named.filter((name) => !drawn.has(name) && !WITHOUT_LOOKS.has(name))).toEqual([]);
});
test.each([
  ['qti-layout-col12', true],
  ['qti-layout-col13', false],
  ['qti-choices-stacking-6', false],
  ['qti-input-width-72', true],
  ['qti-height-lines-3', true],
  ['qti-writing-orientation-vertical-rl', false],
])('%s is honoured: %s', (name, honoured) => expect(isHonoured(name)).toBe(honoured));
test.each([
  ['qti-italic', 'td', true],
  ['qti-choices-left', 'qti-gap-match-interaction', true],
  ['qti-italic', 'qti-simple-choice', false],
  ['qti-align-right', 'qti-prompt', false],
  ['qti-input-width-6', 'qti-text-entry-interaction', true],
  ['qti-align-right', 'qti-text-entry-interaction', false],
  ['qti-input-width-6', 'qti-inline-choice-interaction', false],
])('%s on <%s> is honoured: %s', (name, element, honoured) =>
  expect(isHonoured(name, element)).toBe(honoured),
);
test('what is not of the vocabulary is not looked at', () =>
  expect(vocabularyOf(' x qti-well  qtix log-page qti-italic')).toEqual(['qti-well', 'qti-italic']));
