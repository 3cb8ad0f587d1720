'use client';

import { createContext, useContext, type ReactNode } from 'react';
import { useTranslations } from 'use-intl';

const Guest = createContext(false);
const OwnPassword = createContext(false);

/** Says for all below whether the person practices without an account, and whether they signed in with a password. */
export function GuestProvider({
  guest,
  ownPassword,
  children,
}: {
  readonly guest: boolean;
  readonly ownPassword: boolean;
  readonly children: ReactNode;
}) {
  return (
    <Guest.Provider value={guest}>
      <OwnPassword.Provider value={ownPassword}>{children}</OwnPassword.Provider>
    </Guest.Provider>
  );
}

/** Whether the person has signed in with a password, which they may change. */
export const useHasPassword = (): boolean => useContext(OwnPassword);

/** Whether the person practices without an account: nothing of it is kept. */
export const useIsGuest = (): boolean => useContext(Guest);

/** What stands where a person's name does: of who practices without an account, that nothing is kept. */
export function useShownName(name: string): string {
  const t = useTranslations('practice');
  return useIsGuest() ? t('guest') : name;
}
