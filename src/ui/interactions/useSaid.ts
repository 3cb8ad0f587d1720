'use client';

import { useMemo } from 'react';
import { useTranslations } from 'use-intl';
import { useNumbers } from '../content/useNumbers';
import { sayer } from './said';

/** What core says of answers, in the words of this page's language, with numbers as the content around writes them. */
export function useSaid(): ReturnType<typeof sayer> {
  const t = useTranslations('said');
  const numbers = useNumbers();
  return useMemo(() => sayer(t, numbers), [t, numbers]);
}
