'use client';

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
import { useNotice } from './useNotice';

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
  const { notice, refuse, clear } = useNotice({ response, announce });
  const points = pointsOf(response);
  const multiple = shape.cardinality !== 'single';
  const give = (next: readonly PicturePoint[]) => {
    clear();
    onAnswer(pointTexts(next, multiple));
  };
  const place = ({ x, y }: PicturePoint) => ({ x: Math.round(x), y: Math.round(y) });
  return {
    points,
    notice,
    add: (point: PicturePoint) => {
      const move = addPoint(points, point, maximum);
      if (move.kind === 'full') return refuse(t('pointsFull', { maximum: move.maximum }));
      give(move.points);
      return announce(t('pointSet', { ...place(point), count: move.points.length }));
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
