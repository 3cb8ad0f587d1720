'use client';

import { Trash2 } from 'lucide-react';
import { useTranslations } from 'use-intl';
import {
  clampTo,
  plot,
  pointsOn,
  pointsResponse,
  stepPoint,
  type NumberLineModel,
} from '@/core/interactions/number-line';
import { forCardinality } from '@/core/content/response';
import * as q from '@/core/math/rational';
import type { Rational } from '@/core/math/rational';
import { CountChip } from '../shared/CountChip';
import { Notice } from '../shared/Notice';
import { useNotice } from '../shared/useNotice';
import { TypeField } from '../shared/TypeField';
import type { InteractionProps } from '../types';
import { LineHandle } from './LineHandle';
import { LineStage } from './LineStage';
import styles from './numberLine.module.css';
import { useLine } from './useLine';
import { useLineValues } from './useLineValues';
import { Button } from '../../kit/Button';
import { Hint } from '../shared/Hint';

/** Points on the line: pressed, dragged, stepped with the arrow keys, or typed. */
export function PointsLine({
  model,
  response,
  shape,
  onAnswer,
  announce,
  readOnly,
}: InteractionProps<NumberLineModel>) {
  const t = useTranslations('interactions.numberLine');
  const line = useLine(model.scale);
  const { ends, geometry, atOf, tickAt } = line;
  const { notice, refuse, clear } = useNotice({ response, announce });
  const points = pointsOn(model, response);
  const { words, read } = useLineValues(model.scale);
  const give = (next: readonly Rational[]) => {
    clear();
    onAnswer(forCardinality(pointsResponse(next), shape.cardinality));
  };
  const add = (value: Rational) => {
    if (readOnly) return;
    const move = plot(model, response, value);
    if (move.kind === 'full') refuse(t('full', { maximum: move.maximum }));
    else if (move.kind === 'changed') {
      clear();
      onAnswer(forCardinality(move.response, shape.cardinality));
      announce(t('plotted', { value: words(value) }));
    }
  };
  const moveTo = (index: number, value: Rational) => {
    const to = clampTo(model.scale, value);
    if (points.some((point, i) => i !== index && q.equals(point, to))) return;
    give(points.map((point, i) => (i === index ? to : point)));
  };
  const remove = (index: number) => {
    announce(t('removed', { value: words(points[index] ?? q.ZERO) }));
    give(points.filter((_, i) => i !== index));
  };
  return (
    <>
      <CountChip counts={model.counts} chosen={points.length} />
      {!readOnly && (
        <div data-operate="" className={styles.controls}>
          <TypeField
            label={t('typeLabel')}
            action={t('typeAdd')}
            size={7}
            read={read}
            onValue={add}
            announce={announce}
          />
          <Button
            disabled={points.length === 0}
            onClick={() => {
              give([]);
              announce(t('cleared'));
            }}
          >
            <Trash2 size="1.1em" aria-hidden="true" /> {t('clear')}
          </Button>
        </div>
      )}
      <Hint>{t('pointsHint')}</Hint>
      <LineStage line={line} onPress={(at) => add(tickAt(at))}>
        {points.map((point, i) => (
          <LineHandle
            key={i}
            geometry={geometry}
            at={atOf(point)}
            label={t('point', { index: i + 1, total: points.length })}
            valueText={words(point)}
            readOnly={readOnly}
            onDrag={(at) => moveTo(i, tickAt(at))}
            onStep={(direction) => moveTo(i, stepPoint(model, points, i, direction))}
            onEdge={(edge) => moveTo(i, edge === 'first' ? ends.min : ends.max)}
            onRemove={() => remove(i)}
            onValue={(text) => {
              const typed = read(text);
              if ('problem' in typed) return announce(typed.problem);
              moveTo(i, typed.value);
              return announce(t('plotted', { value: words(typed.value) }));
            }}
          >
            <span className={styles.flag}>{words(point)}</span>
            <span className={styles.dot} />
          </LineHandle>
        ))}
      </LineStage>
      <Notice words={notice} />
    </>
  );
}
