'use client';

import { Minus, Plus } from 'lucide-react';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { useTranslations } from 'use-intl';
import {
  gridOf,
  resplit,
  shade,
  shadingOf,
  shadingResponse,
  type PartitionModel,
} from '@/core/interactions/partition';
import { Enlargeable } from '../../kit/Enlargeable';
import { useTold } from '../../kit/speech';
import { useSweep } from '../shared/useSweep';
import { Task } from '../shared/Task';
import type { InteractionProps } from '../types';
import styles from './partition.module.css';
import { partPath, SIZE } from './shapes';
import { Button } from '../../kit/Button';
import { Hint } from '../shared/Hint';

/** A circle, bar or grid split into equal parts with "more" and "fewer"; parts are shaded by press, sweep or keys. */
export function PartitionView({
  model,
  response,
  onAnswer,
  slots,
  announce,
  readOnly,
}: InteractionProps<PartitionModel>) {
  const t = useTranslations('interactions.partition');
  const svgRef = useRef<SVGSVGElement>(null);
  const [focused, setFocused] = useState(0);
  const shading = shadingOf(model, response);
  // A sweep gives several answers before the attempt has drawn the first: it goes on from its own last.
  const latest = useRef(shading);
  useEffect(() => {
    latest.current = shading;
  });
  const parts = shading.length;
  const shaded = shading.filter(Boolean).length;
  useTold(announce, t('count', { shaded, parts }));
  const here = Math.min(focused, parts - 1);
  const { width, height } = SIZE[model.shape];

  const give = (next: readonly boolean[]) => {
    latest.current = [...next];
    onAnswer(shadingResponse(next));
  };
  const set = (index: number, on: boolean) => {
    if (readOnly || latest.current[index] === on) return;
    give(shade(latest.current, index, on));
    announce(t(on ? 'shaded' : 'cleared', { part: index + 1, parts }));
  };
  const split = (count: number) => {
    const next = resplit(model, shading, count);
    if (!next) return announce(t(count > parts ? 'most' : 'least', { parts }));
    give(next);
    return announce(t('split', { parts: count }));
  };
  const sweep = useSweep(
    (element) => element.getAttribute('data-part'),
    (key) => !latest.current[Number(key)],
    (key, on) => {
      setFocused(Number(key));
      set(Number(key), on);
    },
    !readOnly,
  );
  const keys = (event: KeyboardEvent) => {
    const { columns } = model.shape === 'grid' ? gridOf(parts) : { columns: 1 };
    const step = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: columns, ArrowUp: -columns }[event.key];
    if (event.altKey || event.ctrlKey) return;
    if (step !== undefined) {
      event.preventDefault();
      const to = (here + step + parts) % parts;
      setFocused(to);
      if (event.shiftKey) set(to, true);
      svgRef.current?.querySelector<SVGElement>(`[data-part="${to}"]`)?.focus();
    } else if (event.key === ' ' || event.key === 'Enter') {
      event.preventDefault();
      set(here, !shading[here]);
    }
  };
  return (
    <Task model={model} slots={slots}>
      <Hint>{t('hint')}</Hint>
      <Enlargeable name={t(`shape.${model.shape}`)}>
        <div data-operate="" className={styles.controls}>
          {model.partsMax > model.partsMin && (
            <>
              <Button disabled={readOnly || parts <= model.partsMin} onClick={() => split(parts - 1)}>
                <Minus size="1.1em" aria-hidden="true" /> {t('fewer')}
              </Button>
              <Button disabled={readOnly || parts >= model.partsMax} onClick={() => split(parts + 1)}>
                <Plus size="1.1em" aria-hidden="true" /> {t('more')}
              </Button>
            </>
          )}
          <span className={styles.count}>{t('count', { shaded, parts })}</span>
          <Button disabled={readOnly || shaded === 0} onClick={() => give(shading.map(() => false))}>
            {t('none')}
          </Button>
        </div>
        <svg
          ref={svgRef}
          className={styles.figure}
          data-shape={model.shape}
          viewBox={`-4 -4 ${width + 8} ${height + 8}`}
          role="group"
          aria-label={t(`shape.${model.shape}`)}
          onKeyDown={keys}
          {...sweep}
        >
          {shading.map((on, i) => (
            <path
              key={`${parts}-${i}`}
              d={partPath(model.shape, i, parts)}
              className={styles.part}
              role="checkbox"
              aria-checked={on}
              aria-label={t('part', { part: i + 1, parts })}
              tabIndex={i === here ? 0 : -1}
              data-part={i}
              data-on={on || undefined}
              onFocus={() => setFocused(i)}
            />
          ))}
          {shading.map((on, i) =>
            on ? <path key={i} d={partPath(model.shape, i, parts)} className={styles.hatch} /> : null,
          )}
        </svg>
      </Enlargeable>
    </Task>
  );
}
