'use client';

import { useState } from 'react';
import { useTranslations } from 'use-intl';
import {
  addPoint,
  movePoint,
  pointsOf,
  pointTexts,
  removePoint,
  type PicturePoint,
} from '@/core/interactions/pointing';
import type { InteractionProps } from '../types';

/** Setting, moving and taking away points on a picture, each said aloud. Shared by select point and position object. */
export function usePoints(
  {
    response,
    shape,
    onAnswer,
    announce,
  }: Pick<InteractionProps, 'response' | 'shape' | 'onAnswer' | 'announce'>,
  maximum: number,
) {
  const t = useTranslations('interactions.graphic');
  const [full, setFull] = useState<number | null>(null);
  const points = pointsOf(response);
  const multiple = shape.cardinality !== 'single';
  const give = (next: readonly PicturePoint[]) => {
    setFull(null);
    onAnswer(pointTexts(next, multiple));
  };
  const place = ({ x, y }: PicturePoint) => ({ x: Math.round(x), y: Math.round(y) });
  return {
    points,
    notice: full !== null && points.length >= full ? t('pointsFull', { maximum: full }) : null,
    add: (point: PicturePoint) => {
      const move = addPoint(points, point, maximum);
      if (move.kind === 'full') {
        setFull(move.maximum);
        announce(t('pointsFull', { maximum: move.maximum }));
        return;
      }
      give(move.points);
      announce(t('pointSet', { ...place(point), count: move.points.length }));
    },
    move: (index: number, point: PicturePoint) => {
      give(movePoint(points, index, point));
      announce(t('pointMoved', place(point)));
    },
    remove: (index: number) => {
      give(removePoint(points, index));
      announce(t('pointRemoved'));
    },
    clear: () => {
      give([]);
      announce(t('allRemoved'));
    },
  };
}
export type PlacedPoints = ReturnType<typeof usePoints>;
