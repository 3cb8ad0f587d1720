'use client';

import { useTranslations } from 'use-intl';
import shared from '../../shared.module.css';
import type { Placing } from './usePlacing';

/** How pieces are placed, or what to do with the one that is picked up. */
export function PlacingHint({ placing }: { placing: Placing }) {
  const t = useTranslations('interactions.placing');
  const { held, nameOf } = placing;
  return (
    <p data-operate="" className={shared.hint}>
      {held ? t('hintHeld', { name: nameOf(held.piece) }) : t('hint')}
    </p>
  );
}
