'use client';

import { useTranslations } from 'use-intl';
import { partsOf, type DeliveredPart } from '@/core/item/delivered';
import { usePlayer } from '../../attempt/PlayerContext';

/** What a part is called: its title, else its number among the parts that have questions. */
export function usePartName(): (part: DeliveredPart) => string {
  const t = useTranslations('stages');
  const { test } = usePlayer();
  const parts = partsOf(test);
  return (part) =>
    part.title !== ''
      ? part.title
      : t('part', { number: parts.findIndex((one) => one.identifier === part.identifier) + 1 });
}
