import { readFileSync } from 'node:fs';
import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import { createFormatter, createTranslator } from 'use-intl';
import { LANGUAGES } from '@/core/languages';

type Words = { readonly [key: string]: string | Words | readonly (string | Words)[] };
const wordsIn = (language: string) => JSON.parse(readFileSync(`messages/${language}.json`, 'utf8')) as Words;

/** Every message by its key. */
const flat = (words: Words | readonly (string | Words)[], above = ''): [string, string][] =>
  Object.entries(words).flatMap(([key, value]) =>
    typeof value === 'string'
      ? [[`${above}${key}`, value] as [string, string]]
      : flat(value, `${above}${key}.`),
  );

/** What a message is given, by name; of a choice by name also its cases, which must all be spoken for. */
function argumentsOf(message: string): string[] {
  const found = new Set<string>();
  const walk = (elements: readonly MessageFormatElement[]): void => {
    for (const one of elements) {
      if (one.type !== TYPE.literal && one.type !== TYPE.pound) found.add(one.value);
      if (one.type === TYPE.select || one.type === TYPE.plural)
        for (const [name, { value }] of Object.entries(one.options)) {
          if (one.type === TYPE.select) found.add(`${one.value}: ${name}`);
          walk(value);
        }
    }
  };
  walk(parse(message));
  return [...found].sort();
}

const english = new Map(flat(wordsIn('en')));

for (const language of LANGUAGES.filter((one) => one !== 'en'))
  describe(`messages/${language}.json`, () => {
    const words = new Map(flat(wordsIn(language)));

    test('has every message, and none that nobody knows', () => {
      expect([...words.keys()]).toEqual([...english.keys()]);
    });

    test('every message is given the same, and speaks for every case', () => {
      for (const [key, message] of english)
        expect([key, argumentsOf(words.get(key) ?? '')]).toEqual([key, argumentsOf(message)]);
    });

    test('every message can be read, with numbers one and many', () => {
      const problems: string[] = [];
      const t = createTranslator({
        locale: language,
        messages: Object.fromEntries([...words].map(([key, message]) => [key.replaceAll('.', '_'), message])),
        onError: (error) => problems.push(error.message),
      }) as unknown as (key: string, values: Record<string, unknown>) => string;
      for (const [key, message] of words)
        for (const count of [0, 1, 2, 21]) {
          const values = Object.fromEntries(argumentsOf(message).map((name) => [name, count]));
          const said = t(key.replaceAll('.', '_'), values);
          expect(said).not.toMatch(/[{}]/);
        }
      expect(problems).toEqual([]);
    });

    test('is really in that language: what is the same as in English is a name or a sign', () => {
      const same = [...words].filter(
        ([key, message]) =>
          message === english.get(key) && /[a-z]{3,}/i.test(message.replace(/\{[^{}]*\}/g, '')),
      );
      expect(same.map(([key]) => key)).toEqual([
        'app.name',
        // The shipped voice speaks English.
        'soundCheck.sentence',
        'time.addedShort',
        'help.alt',
        'tools.colours.sample',
        'tools.sketch.colour',
        'tools.sketch.colours.flag',
        'interactions.upload.kinds.video',
        'interactions.upload.kinds.pdf',
        'interactions.drawing.colour',
      ]);
    });
  });

test('numbers and dates are written as the language writes them', () => {
  const spanish = createFormatter({ locale: 'es' });
  expect(spanish.number(37.5)).toBe('37,5');
  const score = wordsIn('es').score as Words;
  const t = createTranslator({ locale: 'es', messages: { points: score.points as string } });
  expect(t('points', { score: 2.5, maximum: 4, later: 0 })).toBe('2,5 de 4 puntos');
});
