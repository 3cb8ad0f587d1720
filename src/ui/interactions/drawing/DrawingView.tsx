'use client';

import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { DrawingModel } from '@/core/interactions/drawing';
import { drawingText, marksOf, MAX_DRAWING, SHEET, type Mark } from '@/core/interactions/drawing/marks';
import { forCardinality, responseTexts } from '@/core/content/response';
import { Task } from '../shared/Task';
import type { InteractionProps } from '../types';
import styles from './drawing.module.css';
import { Sketch } from './Sketch';
import { Notice } from '../shared/Notice';
import { Button } from '../../kit/Button';

/** One drawing, or up to four attached to one answer; each is an SVG file that can be worked on again. */
export function DrawingView({
  model,
  response,
  shape,
  onAnswer,
  slots,
  announce,
  readOnly,
}: InteractionProps<DrawingModel>) {
  const t = useTranslations('interactions.drawing');
  const drawings = responseTexts(response);
  const [chosen, setChosen] = useState(0);
  const [full, setFull] = useState(false);
  const current = Math.min(chosen, drawings.length, model.maximum - 1);
  const { width, height } = {
    width: model.picture?.width ?? SHEET.width,
    height: model.picture?.height ?? SHEET.height,
  };
  const text = drawings[current];
  const give = (marks: readonly Mark[]) => {
    const next = drawingText(marks, width, height, `drawing-${current + 1}.svg`);
    if (next !== null && next.length > MAX_DRAWING) {
      setFull(true);
      return announce(t('full'));
    }
    setFull(false);
    const list = [...drawings];
    if (next === null) list.splice(current, 1);
    else list[current] = next;
    onAnswer(list.length === 0 ? null : forCardinality(list, shape.cardinality));
  };
  return (
    <Task model={model} slots={slots}>
      {model.maximum > 1 && (
        <div className={styles.sheets} role="group" aria-label={t('drawings')}>
          {drawings.map((_, i) => (
            <Button
              key={i}

              aria-pressed={current === i}
              onClick={() => setChosen(i)}
            >
              {t('drawing', { number: i + 1 })}
            </Button>
          ))}
          <Button
            aria-pressed={current === drawings.length}
            disabled={drawings.length >= model.maximum}
            onClick={() => {
              setChosen(drawings.length);
              announce(t('another', { number: drawings.length + 1 }));
            }}
          >
            {t('another', { number: Math.min(drawings.length + 1, model.maximum) })}
          </Button>
          <span className={styles.count}>
            {t('count', { count: drawings.length, maximum: model.maximum })}
          </span>
        </div>
      )}
      <Sketch
        key={current}
        marks={text === undefined ? [] : marksOf(text)}
        foreign={text !== undefined && marksOf(text).length === 0 ? text : null}
        width={width}
        height={height}
        backdrop={model.picture ? { src: slots.assetUrl(model.picture.src), alt: model.picture.alt } : null}
        onChange={give}
        announce={announce}
        readOnly={readOnly}
      />
      <Notice words={full ? t('full') : null} />
    </Task>
  );
}
