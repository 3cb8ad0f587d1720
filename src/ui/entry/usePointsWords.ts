'use client';

import { useTranslations } from 'use-intl';
import type { Points } from '@/core/sitting/points';

/** Points to two places, as people count them. */
export const roundPoints = (value: number): number => Math.round(value * 100) / 100;

/**
 * What an attempt is worth in words, the same on every screen: "73 of 73 points, and 10 more to be marked".
 * @param practice nobody marks it, so that nothing is still to come
 */
export function usePointsWords(practice = false): (points: Omit<Points, 'ownRule'>) => string {
  const t = useTranslations('score');
  return ({ score, maximum, later }) =>
    t(practice ? 'practice.points' : 'points', {
      score: roundPoints(score),
      maximum: roundPoints(maximum),
      later: roundPoints(later),
    });
}
