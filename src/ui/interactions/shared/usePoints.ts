'use client';

import { useId } from 'react';
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
import { saidWhere } from '@/core/interactions/said';
import { useSaid } from '../useSaid';
import type { StageSize } from './stage/Stage';
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
  const about = useId();
  const { phrase } = useSaid();
  return {
    points,
    notice,
    add: (point: PicturePoint, size: StageSize) => {
      const move = addPoint(points, point, maximum);
      if (move.kind === 'full') return refuse(t('pointsFull', { maximum: move.maximum }));
      give(move.points);
      return announce(t('pointSet', { where: phrase(saidWhere(point, size)), count: move.points.length }));
    },
    move: (index: number, point: PicturePoint, size: StageSize) => {
      give(movePoint(points, index, point));
      // Step by step with the keys: where it came to, not every place on the way.
      announce(t('pointMoved', { where: phrase(saidWhere(point, size)) }), about);
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
