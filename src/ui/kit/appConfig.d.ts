import type english from '@messages/en.json';
import type { Language } from '@/core/languages';

/** Keys of messages are types: one that is not in messages/ does not compile. */
declare module 'use-intl' {
  interface AppConfig {
    Messages: typeof english;
    Locale: Language;
  }
}
