'use client';

import { useTranslations } from 'use-intl';
import type { Hotspot } from '@/core/interactions/hotspots';

/** What each hotspot is called: its label, or "Place 2 of 5". */
export function useSpotNames(hotspots: readonly Hotspot[]): (identifier: string) => string {
  const t = useTranslations('interactions.graphic');
  return (identifier) => {
    const index = hotspots.findIndex((spot) => spot.identifier === identifier);
    const label = hotspots[index]?.label ?? '';
    return label !== '' ? label : t('place', { index: index + 1, total: hotspots.length });
  };
}
