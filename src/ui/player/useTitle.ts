'use client';

import { useEffect } from 'react';
import { useTranslations } from 'use-intl';
import { own } from '@/core/own';
import { usePlayer } from '../attempt/PlayerContext';

/** The page's title says which question it shows: what a window and a screen reader call it. */
export function useTitle(current: string | null): void {
  const t = useTranslations('trail');
  const { test } = usePlayer();
  const number = current === null ? undefined : own(test.items, current)?.number;
  const where = number === undefined ? t('review') : t('where', { number, total: test.count });
  useEffect(() => {
    const before = document.title;
    document.title = `${where} · ${test.title}`;
    return () => {
      document.title = before;
    };
  }, [where, test.title]);
}
