'use client';

import { useMemo } from 'react';
import { useTranslations } from 'use-intl';
import { sayer } from './said';

/** What core says of answers, in the words of this page's language. */
export function useSaid(): ReturnType<typeof sayer> {
  const t = useTranslations('said');
  return useMemo(() => sayer(t), [t]);
}
