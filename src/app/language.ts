import english from '@messages/en.json';
import spanish from '@messages/es.json';
import Negotiator from 'negotiator';
import { headers } from 'next/headers';
import { FIRST_LANGUAGE, isLanguage, LANGUAGES, type Language } from '@/core/languages';
import { currentUser } from './http';
import { cookieIn } from './session';

/** Where the language chosen on a computer is kept until its person signs out. */
export const LANGUAGE_COOKIE = 'able_language';

/** Compiles only where every language has every word. */
export const WORDS: Readonly<Record<Language, typeof english>> = { en: english, es: spanish };

/** What the page speaks: what its person chose, else what was chosen on this computer, else what the browser asks for. */
export async function currentLanguage(): Promise<Language> {
  const user = await currentUser();
  if (user?.language) return user.language;
  const sent = await headers();
  const chosen = cookieIn(sent.get('cookie') ?? '', LANGUAGE_COOKIE);
  if (isLanguage(chosen)) return chosen;
  const asked = new Negotiator({
    headers: { 'accept-language': sent.get('accept-language') ?? '' },
  }).language([...LANGUAGES]);
  return isLanguage(asked) ? asked : FIRST_LANGUAGE;
}

export const currentWords = async (): Promise<typeof english> => WORDS[await currentLanguage()];

/** The title of a page, in the language it speaks. */
export const titled = (pick: (words: typeof english) => string) => async () => ({
  title: pick(await currentWords()),
});
