'use client';

import { IntlProvider } from 'use-intl';
import type { ReactNode } from 'react';
import english from '@messages/en.json';

export type Messages = typeof english;
export { english };

/** Every word of the interface comes from messages/, through this provider. */
export function Words({ children }: { children: ReactNode }) {
  return (
    <IntlProvider locale="en" messages={english} timeZone="UTC">
      {children}
    </IntlProvider>
  );
}
