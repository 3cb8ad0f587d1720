/** Languages the interface speaks (BCP 47), each with words of its own in messages/. */
export const LANGUAGES = ['en', 'es'] as const;
export type Language = (typeof LANGUAGES)[number];
export const FIRST_LANGUAGE: Language = 'en';

/** What a language is called by those who speak it. */
export const OWN_NAMES: Readonly<Record<Language, string>> = { en: 'English', es: 'Español' };

export const isLanguage = (value: unknown): value is Language => LANGUAGES.some((one) => one === value);

/** Whether two tags are of one language, whatever the country: `es` and `es-MX`. */
export const isSameLanguage = (a: string, b: string): boolean =>
  a.split('-')[0]?.toLowerCase() === b.split('-')[0]?.toLowerCase();

/** The sign before tenths. */
export type DecimalSign = '.' | ',';

/**
 * The sign with which a language writes decimals (CLDR, by the engine's own data).
 * @param language BCP 47; a point where it is not known, or writes neither
 */
export function decimalSignOf(language: string | null): DecimalSign {
  if (language === null) return '.';
  try {
    const sign = new Intl.NumberFormat(language).formatToParts(1.5).find(({ type }) => type === 'decimal');
    return sign?.value === ',' ? ',' : '.';
  } catch {
    return '.';
  }
}

/** Whether a text is written as the name of a language (BCP 47), as JavaScript's own reader has it (ECMA-402, GetCanonicalLocales). */
export function isLanguageTag(text: string): boolean {
  try {
    return Intl.getCanonicalLocales(text).length === 1;
  } catch {
    return false;
  }
}
