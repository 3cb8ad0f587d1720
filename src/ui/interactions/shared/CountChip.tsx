'use client';

import { useTranslations } from 'use-intl';
import type { Counts } from '@/core/interactions/counts';
import shared from '../shared.module.css';

/** How many are asked for and how many there are, in figures; nothing where just one is wanted. */
export function CountChip({ counts, chosen }: { counts: Counts; chosen: number }) {
  const t = useTranslations('interactions.choice');
  const { minimum, maximum } = counts;
  if (maximum === 1) return null;
  const words =
    maximum > minimum
      ? t('between', { minimum, maximum, chosen })
      : t('count', { wanted: minimum, exact: maximum === minimum ? 1 : 0, chosen });
  return <p className={shared.chip}>{words}</p>;
}
