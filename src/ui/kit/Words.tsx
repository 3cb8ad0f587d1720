'use client';

import { IntlProvider } from 'use-intl';
import type { ReactNode } from 'react';
import english from '@messages/en.json';
import { useHydrated } from './useHydrated';

export type Messages = typeof english;
export { english };

/** Every word of the interface comes from messages/, through this provider. Times are the reader's own once the page is alive. */
export function Words({ children }: { children: ReactNode }) {
  const here = useHydrated() ? Intl.DateTimeFormat().resolvedOptions().timeZone : 'UTC';
  return (
    <IntlProvider locale="en" messages={english} timeZone={here}>
      {children}
    </IntlProvider>
  );
}
