'use client';

import { MoveLeft, MoveRight, Trash2 } from 'lucide-react';
import { useTranslations } from 'use-intl';
import type { NumberLineModel } from '@/core/interactions/number-line';
import {
  isEmptySpan,
  saidEnd,
  saidSpan,
  moveEnd,
  spansOf,
  spansResponse,
  startOf,
  toggleEnd,
  type Span,
  type SpanEnd,
} from '@/core/interactions/number-line/spans';
import * as q from '@/core/math/rational';
import type { Rational } from '@/core/math/rational';
import { Notice } from '../shared/Notice';
import { useSaid } from '../useSaid';
import { useNotice } from '../shared/useNotice';
import { TypeField } from '../shared/TypeField';
import type { InteractionProps } from '../types';
import { LineHandle } from './LineHandle';
import { LineStage } from './LineStage';
import styles from './numberLine.module.css';
import { SpanRow } from './SpanRow';
import { useLine } from './useLine';
import { useLineValues } from './useLineValues';
import { Button } from '../../kit/Button';
import { Hint } from '../shared/Hint';

const NO_END: SpanEnd = { at: null, closed: false };

/**
 * Rays and intervals with open and closed ends: two presses (or typed values) make one, the second on an arrow of the line lets it
 * run on; each end slides, a press on an end opens or closes it, taken beyond the line it runs on. The list below says and changes
 * the same. The first press is part of the answer until the second.
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
  const { notice, refuse, clear } = useNotice({ response, announce });
  const spans = spansOf(response);
  const start = startOf(response);
  const { words, read } = useLineValues(model.scale);
  const { phrase } = useSaid();
  const endWords = (end: SpanEnd, side: 'from' | 'to') => phrase(saidEnd(end, side, words));
  const spanWords = (span: Span) => phrase(saidSpan(span, words));
  const give = (next: readonly Span[], begun: Rational | null = start) => {
    clear();
    onAnswer(spansResponse(next, begun));
  };
  const change = (index: number, next: Span) => {
    if (isEmptySpan(next, q.compare)) {
      return refuse(t('nothingInside'));
    }
    give(spans.map((span, i) => (i === index ? next : span)));
    return announce(spanWords(next));
  };
  const add = (span: Span) => {
    give([...spans, span], null);
    announce(spanWords(span));
  };
  const remove = (index: number) => {
    give(spans.filter((_, i) => i !== index));
    announce(t('spanRemoved'));
  };
  const set = (value: Rational) => {
    if (start === null) {
      give(spans, value);
      announce(t('startAt', { value: words(value) }));
    } else if (q.equals(start, value)) {
      give(spans, null);
      announce(t('givenUp'));
    } else {
      const [low, high] = q.compare(start, value) < 0 ? [start, value] : [value, start];
      add({ from: { at: low, closed: true }, to: { at: high, closed: true } });
    }
  };
  /** From where it was begun, or else from a third of the line on its side. */
  const runOn = (side: 'from' | 'to') => {
    const end: SpanEnd = { at: start ?? tickAt(side === 'from' ? 1 / 3 : 2 / 3), closed: true };
    add(side === 'from' ? { from: NO_END, to: end } : { from: end, to: NO_END });
  };
  const press = (at: number) => {
    if (readOnly) return;
    const off = at < -geometry.beyond ? 'from' : at > 1 + geometry.beyond ? 'to' : null;
    if (off === null) set(tickAt(at));
    else if (start !== null) runOn(off);
    else refuse(t('beyondFirst'));
  };
  const dragTo = (index: number, span: Span, side: 'from' | 'to', at: number) => {
    const off = side === 'from' ? at < -geometry.beyond : at > 1 + geometry.beyond;
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
    end.at === null ? (side === 'from' ? -2 * geometry.beyond : 1 + 2 * geometry.beyond) : atOf(end.at);

  return (
    <>
      {!readOnly && (
        <div data-operate="" className={styles.controls}>
          <TypeField
            label={t('typeLabel')}
            action={t('typeAdd')}
            size={7}
            read={read}
            onValue={set}
            announce={announce}
          />
          {start === null && (
            <Button
              onClick={() =>
                add({ from: { at: tickAt(1 / 3), closed: true }, to: { at: tickAt(2 / 3), closed: true } })
              }
            >
              {t('addInterval')}
            </Button>
          )}
          <Button onClick={() => runOn('from')}>{t('addLeft')}</Button>
          <Button onClick={() => runOn('to')}>{t('addRight')}</Button>
          <Button
            disabled={spans.length === 0 && start === null}
            onClick={() => {
              give([], null);
              announce(t('cleared'));
            }}
          >
            <Trash2 size="1.1em" aria-hidden="true" /> {t('clear')}
          </Button>
        </div>
      )}
      <Hint changes="long">{start ? t('startHint', { value: words(start) }) : t('intervalHint')}</Hint>
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
                  const typed = read(text);
                  if ('problem' in typed) refuse(typed.problem);
                  else change(i, moveEnd(span, side, typed.value, q.compare));
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
      <Notice words={notice} />
      {spans.length > 0 && (
        <ul className={styles.spans} aria-label={t('list')}>
          {spans.map((span, i) => (
            <SpanRow
              key={i}
              span={span}
              words={spanWords(span)}
              readOnly={readOnly}
              read={read}
              onProblem={refuse}
              onChange={(next) => change(i, next)}
              onRemove={() => remove(i)}
            />
          ))}
        </ul>
      )}
    </>
  );
}
