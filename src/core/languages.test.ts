import { decimalSignOf, isLanguage, isSameLanguage, LANGUAGES, OWN_NAMES } from './languages';

test('the sign before the tenths is that of the language (CLDR 44, number symbols; from memory)', () => {
  for (const language of ['es', 'es-AR', 'de', 'fr', 'pt-BR', 'ru', 'vi'])
    expect(decimalSignOf(language)).toBe(',');
  for (const language of ['en', 'en-US', 'es-MX', 'es-US', 'zh', 'ko', 'he'])
    expect(decimalSignOf(language)).toBe('.');
  // Not said, or no language at all: as the package format writes numbers.
  for (const language of [null, '', 'no language', 'x']) expect(decimalSignOf(language)).toBe('.');
});

test('a language is told from what is none, and found whatever the country', () => {
  expect(LANGUAGES.every(isLanguage)).toBe(true);
  expect(['de', '', null, 1, 'ES'].some(isLanguage)).toBe(false);
  expect(isSameLanguage('es-MX', 'es')).toBe(true);
  expect(isSameLanguage('EN', 'en-GB')).toBe(true);
  expect(isSameLanguage('en', 'es')).toBe(false);
  for (const one of LANGUAGES) expect(OWN_NAMES[one]).not.toBe('');
});
