import type english from '@messages/en.json';

/** Keys of messages are types: one that is not in messages/ does not compile. */
declare module 'use-intl' {
  interface AppConfig {
    Messages: typeof english;
    Locale: 'en';
  }
}
