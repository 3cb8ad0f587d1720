'use client';

import { useTranslations } from 'use-intl';
import type { NumberLineModel } from '@/core/interactions/number-line';
import { Enlargeable } from '../../kit/Enlargeable';
import { Task } from '../shared/Task';
import type { InteractionProps } from '../types';
import { IntervalLine } from './IntervalLine';
import { PointsLine } from './PointsLine';

/** Points, or rays and intervals, on a number line. */
export function NumberLineView(props: InteractionProps<NumberLineModel>) {
  const { model, slots } = props;
  const t = useTranslations('interactions.numberLine');
  return (
    <Task model={model} slots={slots}>
      <Enlargeable name={t('line')}>
        {model.mode === 'points' ? <PointsLine {...props} /> : <IntervalLine {...props} />}
      </Enlargeable>
    </Task>
  );
}
