'use client';

import { useTranslations } from 'use-intl';
import { Hint } from '../Hint';
import type { Placing } from './usePlacing';

/** How pieces are placed, or what to do with the one that is picked up. */
export function PlacingHint({ placing }: { placing: Placing }) {
  const t = useTranslations('interactions.placing');
  const { held, nameOf } = placing;
  return <Hint changes>{held ? t('hintHeld', { name: nameOf(held.piece) }) : t('hint')}</Hint>;
}
