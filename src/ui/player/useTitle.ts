'use client';

import { useEffect } from 'react';
import { useTranslations } from 'use-intl';
import { questionOrder } from '@/core/item/delivered';
import { usePlayer } from '../attempt/PlayerContext';

/** The page's title says which question it shows: what a window and a screen reader call it. */
export function useTitle(current: string | null): void {
  const t = useTranslations('trail');
  const { test } = usePlayer();
  const order = questionOrder(test);
  const number = current === null ? 0 : order.indexOf(current) + 1;
  const where = number > 0 ? t('where', { number, total: order.length }) : t('review');
  useEffect(() => {
    const before = document.title;
    document.title = `${where} · ${test.title}`;
    return () => {
      document.title = before;
    };
  }, [where, test.title]);
}
