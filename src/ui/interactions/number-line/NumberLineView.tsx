'use client';

import { useId } from 'react';
import { useTranslations } from 'use-intl';
import type { NumberLineModel } from '@/core/interactions/number-line';
import { Enlargeable } from '../../kit/Enlargeable';
import { Prompt } from '../Prompt';
import type { InteractionProps } from '../types';
import { IntervalLine } from './IntervalLine';
import { PointsLine } from './PointsLine';

/** Points, or rays and intervals, on a number line. */
export function NumberLineView(props: InteractionProps<NumberLineModel>) {
  const { model, slots } = props;
  const t = useTranslations('interactions.numberLine');
  const id = useId();
  return (
    <div
      role="group"
      aria-labelledby={model.prompt.length > 0 ? id : undefined}
      data-unit="box"
      data-unit-key={model.responseIdentifier}
    >
      <Prompt id={id} content={model.prompt} slots={slots} />
      <Enlargeable name={t('line')}>
        {model.mode === 'points' ? <PointsLine {...props} /> : <IntervalLine {...props} />}
      </Enlargeable>
    </div>
  );
}
