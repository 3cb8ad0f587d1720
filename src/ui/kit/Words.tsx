'use client';

import english from '@messages/en.json';
import { createContext, use, useContext, type ReactNode } from 'react';
import { IntlProvider } from 'use-intl';
import { FIRST_LANGUAGE, type Language } from '@/core/languages';
import { useHydrated } from './useHydrated';

export type Messages = typeof english;

const LanguageContext = createContext<Language>(FIRST_LANGUAGE);

/** The language the page speaks, as the server found it. */
export function Speaking({ language, children }: { language: Language; children: ReactNode }) {
  return <LanguageContext value={language}>{children}</LanguageContext>;
}
export const useLanguage = (): Language => useContext(LanguageContext);

/** Whoever speaks another language than the first fetches its words besides, once. */
const OTHERS: Readonly<Record<Exclude<Language, 'en'>, () => Promise<Messages>>> = {
  es: () => import('@messages/es.json').then((words) => words.default),
};
const fetched = new Map<Language, Promise<Messages>>();
function fetchOnce(language: keyof typeof OTHERS): Promise<Messages> {
  const before = fetched.get(language);
  if (before) return before;
  const now = OTHERS[language]();
  fetched.set(language, now);
  // One that failed is fetched again by whoever needs it next.
  now.catch(() => fetched.delete(language));
  return now;
}

/** Every word of the interface comes from messages/, through this provider. Times are the reader's own once the page is alive. */
export function Words({ children }: { children: ReactNode }) {
  const language = useLanguage();
  const messages = language === 'en' ? english : use(fetchOnce(language));
  const here = useHydrated() ? Intl.DateTimeFormat().resolvedOptions().timeZone : 'UTC';
  return (
    <IntlProvider locale={language} messages={messages} timeZone={here}>
      {children}
    </IntlProvider>
  );
}
