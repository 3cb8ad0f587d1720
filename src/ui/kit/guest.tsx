'use client';

import { createContext, useContext, type ReactNode } from 'react';
import { useTranslations } from 'use-intl';

const Guest = createContext(false);

/** Says for all below whether the person practices without an account. */
export function GuestProvider({ guest, children }: { guest: boolean; children: ReactNode }) {
  return <Guest.Provider value={guest}>{children}</Guest.Provider>;
}

/** Whether the person practices without an account: nothing of it is kept. */
export const useIsGuest = (): boolean => useContext(Guest);

/** What stands where a person's name does: of who practices without an account, that nothing is kept. */
export function useShownName(name: string): string {
  const t = useTranslations('practice');
  return useIsGuest() ? t('guest') : name;
}
