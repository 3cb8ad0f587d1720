'use client';

import { useTranslations } from 'use-intl';
import type { RawResponse } from '@/core/content/response';
import type { DeliveredItem } from '@/core/item/delivered';
import { useSaid } from '../interactions/useSaid';
import styles from './entry.module.css';

/** The same sentence that stood where the answers were looked over; nothing where there is no answer. */
export function InWords({
  item,
  responses,
}: {
  readonly item: DeliveredItem;
  readonly responses: Readonly<Record<string, RawResponse>>;
}) {
  const t = useTranslations('answers');
  const words = useSaid().glance(item, responses);
  return words === '' ? null : <p className={styles.soft}>{t('inWords', { words })}</p>;
}
