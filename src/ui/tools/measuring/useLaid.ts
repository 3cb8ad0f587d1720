'use client';

import type { Laid } from '@/core/tools/measuring';
import { useKeptAt } from '../../attempt/PlayerContext';
import { LAID } from './state';

/** Where an instrument lies at a question: where it was put, or, not touched yet, a little inside what is measured on. */
export function useLaid(
  id: string,
  itemRef: string,
  first: { readonly x: number; readonly y: number },
): { readonly laid: Laid; readonly which: number; readonly lay: (laid: Laid) => void } {
  const [kept, keep] = useKeptAt(id, itemRef, LAID);
  const start = { ...first, angle: 0, flipped: false };
  const { which, touched, ...laid } = kept;
  return {
    laid: touched ? laid : { ...start, flipped: laid.flipped, angle: laid.angle },
    which,
    lay: (next) => keep({ ...next, touched: true }),
  };
}
