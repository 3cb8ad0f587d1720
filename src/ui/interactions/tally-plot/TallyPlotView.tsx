'use client';

import { useTranslations } from 'use-intl';
import { moveCounter, onStep, setValue, valuesOf, type TallyPlotModel } from '@/core/interactions/tally-plot';
import { Enlargeable } from '../../kit/Enlargeable';
import { Task } from '../shared/Task';
import type { InteractionProps } from '../types';
import { Boxes } from './Boxes';
import { Columns } from './Columns';
import styles from './tallyPlot.module.css';
import { Button } from '../../kit/Button';
import { Hint } from '../shared/Hint';

/** Marks over a line plot, bars, or counters in boxes: by hand, by keys, or typed. */
export function TallyPlotView(props: InteractionProps<TallyPlotModel>) {
  const { model, response, onAnswer, slots, announce, readOnly } = props;
  const t = useTranslations('interactions.tallyPlot');
  const values = valuesOf(model, response);
  const set = (index: number, value: number) => {
    const to = onStep(model, value);
    if (readOnly || to === values[index]) return;
    onAnswer(setValue(model, response, index, to));
    announce(t('set', { category: model.categories[index] ?? '', value: to }));
  };
  const move = (from: number | null, to: number | null) => {
    const next = moveCounter(model, response, from, to);
    if (readOnly || next === response) return;
    onAnswer(next);
    const [box, value] = [to ?? from ?? 0, valuesOf(model, next)[to ?? from ?? 0] ?? 0];
    announce(t('set', { category: model.categories[box] ?? '', value }));
  };
  const Plot = model.kind === 'counters' ? Boxes : Columns;
  return (
    <Task model={model} slots={slots}>
      <Hint>{t(`hint.${model.kind}`)}</Hint>
      <Enlargeable name={t(`kind.${model.kind}`)}>
        <div data-operate="" className={styles.top}>
          <Button
            disabled={readOnly || response === null}
            onClick={() => {
              onAnswer(null);
              announce(t('cleared'));
            }}
          >
            {t('clear')}
          </Button>
        </div>
        <Plot model={model} values={values} set={set} move={move} readOnly={readOnly} />
        {model.axisLabel !== '' && <p className={styles.axisLabel}>{model.axisLabel}</p>}
      </Enlargeable>
    </Task>
  );
}
