'use client';

import type { Hotspot } from '@/core/interactions/hotspots';
import { spotName } from '@/core/interactions/said';
import { useSaid } from '../useSaid';

/** What each hotspot is called: its label, or "place 2 of 5". */
export function useSpotNames(hotspots: readonly Hotspot[]): (identifier: string) => string {
  const { value } = useSaid();
  return (identifier) => value(spotName(hotspots, identifier) ?? identifier);
}
