'use client';

import { MoveLeft, MoveRight, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { NumberLineModel } from '@/core/interactions/number-line';
import {
  isEmptySpan,
  moveEnd,
  spansOf,
  spansResponse,
  toggleEnd,
  type Span,
  type SpanEnd,
} from '@/core/interactions/number-line/spans';
import { exactOf } from '@/core/interactions/quantity';
import { labelOf } from '@/core/interactions/number-line/ticks';
import * as q from '@/core/math/rational';
import type { Rational } from '@/core/math/rational';
import shared from '../shared.module.css';
import { Notice } from '../shared/Notice';
import type { InteractionProps } from '../types';
import { LineHandle } from './LineHandle';
import { LineStage } from './LineStage';
import styles from './numberLine.module.css';
import { SpanRow } from './SpanRow';
import { useLine } from './useLine';
import { Button } from '../../kit/Button';

/** How far beyond the end of the line an end must be taken to run on for ever, as a share of the line. */
const BEYOND = 0.03;

/**
 * Rays and intervals with open and closed ends: two presses make one, each end slides, a press on an end opens or closes it,
 * taken beyond the line it runs on. The list below says and changes the same.
 */
export function IntervalLine({
  model,
  response,
  onAnswer,
  announce,
  readOnly,
}: InteractionProps<NumberLineModel>) {
  const t = useTranslations('interactions.numberLine');
  const line = useLine(model.scale);
  const { ends, geometry, atOf, tickAt, step } = line;
  const [start, setStart] = useState<Rational | null>(null);
  const [notice, setNotice] = useState<string | null>(null);
  const spans = spansOf(response);
  const style = model.scale.labels === 'fraction' ? 'fraction' : 'decimal';
  const words = (value: Rational) => labelOf(value, style);
  const endWords = (end: SpanEnd, side: 'from' | 'to') =>
    end.at === null
      ? t(side === 'from' ? 'noStart' : 'noEnd')
      : t(end.closed ? 'closedAt' : 'openAt', { value: words(end.at) });
  const spanWords = (span: Span) =>
    t('span', { from: endWords(span.from, 'from'), to: endWords(span.to, 'to') });
  const give = (next: readonly Span[]) => {
    setNotice(null);
    onAnswer(spansResponse(next));
  };
  const change = (index: number, next: Span) => {
    if (isEmptySpan(next, q.compare)) {
      setNotice(t('nothingInside'));
      return announce(t('nothingInside'));
    }
    give(spans.map((span, i) => (i === index ? next : span)));
    return announce(spanWords(next));
  };
  const add = (span: Span) => {
    setStart(null);
    give([...spans, span]);
    announce(spanWords(span));
  };
  const remove = (index: number) => {
    give(spans.filter((_, i) => i !== index));
    announce(t('spanRemoved'));
  };
  const press = (at: number) => {
    if (readOnly) return;
    const value = tickAt(at);
    if (start === null) {
      setStart(value);
      announce(t('startAt', { value: words(value) }));
    } else if (q.equals(start, value)) setStart(null);
    else {
      const [low, high] = q.compare(start, value) < 0 ? [start, value] : [value, start];
      add({ from: { at: low, closed: true }, to: { at: high, closed: true } });
    }
  };
  const dragTo = (index: number, span: Span, side: 'from' | 'to', at: number) => {
    const off = side === 'from' ? at < -BEYOND : at > 1 + BEYOND;
    change(index, moveEnd(span, side, off ? null : tickAt(at), q.compare));
  };
  const stepEnd = (index: number, span: Span, side: 'from' | 'to', direction: 1 | -1) => {
    const { at } = span[side];
    const outward = side === 'from' ? -1 : 1;
    const edge = side === 'from' ? ends.min : ends.max;
    if (at === null)
      return direction === outward ? undefined : change(index, moveEnd(span, side, edge, q.compare));
    if (q.equals(at, edge) && direction === outward)
      return change(index, moveEnd(span, side, null, q.compare));
    return change(index, moveEnd(span, side, step(at, direction), q.compare));
  };
  const shareOf = (end: SpanEnd, side: 'from' | 'to') =>
    end.at === null ? (side === 'from' ? -0.045 : 1.045) : atOf(end.at);
  const third = tickAt(1 / 3);

  return (
    <>
      {!readOnly && (
        <div data-operate="" className={styles.controls}>
          <Button
            onClick={() =>
              add({ from: { at: third, closed: true }, to: { at: tickAt(2 / 3), closed: true } })
            }
          >
            {t('addInterval')}
          </Button>
          <Button onClick={() => add({ from: { at: null, closed: false }, to: { at: third, closed: true } })}>
            {t('addLeft')}
          </Button>
          <Button onClick={() => add({ from: { at: third, closed: true }, to: { at: null, closed: false } })}>
            {t('addRight')}
          </Button>
          <Button
            disabled={spans.length === 0}
            onClick={() => {
              give([]);
              announce(t('cleared'));
            }}
          >
            <Trash2 size="1.1em" aria-hidden="true" /> {t('clear')}
          </Button>
        </div>
      )}
      <LineStage
        line={line}
        onPress={press}
        marks={
          <>
            {spans.map((span, i) => (
              <line
                key={i}
                className={styles.span}
                x1={geometry.toX(shareOf(span.from, 'from'))}
                x2={geometry.toX(shareOf(span.to, 'to'))}
                y1={geometry.y}
                y2={geometry.y}
              />
            ))}
            {start && (
              <circle
                className={styles.pending}
                cx={geometry.toX(atOf(start))}
                cy={geometry.y}
                r={9 * geometry.scale}
              />
            )}
          </>
        }
      >
        {spans.flatMap((span, i) =>
          (['from', 'to'] as const).map((side) => {
            const end = span[side];
            return (
              <LineHandle
                key={`${i}-${side}`}
                geometry={geometry}
                at={shareOf(end, side)}
                label={t(side, { index: i + 1, total: spans.length })}
                valueText={endWords(end, side)}
                readOnly={readOnly}
                onDrag={(at) => dragTo(i, span, side, at)}
                onStep={(direction) => stepEnd(i, span, side, direction)}
                onRemove={() => remove(i)}
                onValue={(text) => {
                  const value = exactOf(text);
                  if (value) change(i, moveEnd(span, side, value, q.compare));
                  else announce(t('notANumber'));
                }}
                onPress={() => change(i, toggleEnd(span, side))}
              >
                {end.at === null ? (
                  <span className={styles.arrow}>
                    {side === 'from' ? <MoveLeft size="1.5em" /> : <MoveRight size="1.5em" />}
                  </span>
                ) : (
                  <>
                    <span className={styles.flag}>{words(end.at)}</span>
                    <span className={styles.dot} data-open={end.closed ? undefined : true} />
                  </>
                )}
              </LineHandle>
            );
          }),
        )}
      </LineStage>
      <p data-operate="" className={shared.hint}>
        {start ? t('startHint', { value: words(start) }) : t('intervalHint')}
      </p>
      <Notice words={notice} />
      {spans.length > 0 && (
        <ul className={styles.spans} aria-label={t('list')}>
          {spans.map((span, i) => (
            <SpanRow
              key={i}
              span={span}
              words={spanWords(span)}
              readOnly={readOnly}
              onChange={(next) => change(i, next)}
              onRemove={() => remove(i)}
            />
          ))}
        </ul>
      )}
    </>
  );
}
