'use client';

import { useId, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { CoordinatePlaneModel } from '@/core/interactions/coordinate-plane';
import type { PlanePoint } from '@/core/interactions/coordinate-plane/figures';
import { exactOf } from '@/core/interactions/quantity';
import * as q from '@/core/math/rational';
import shared from '../shared.module.css';
import styles from './plane.module.css';
import type { Plane } from './usePlane';

/** A point from what was typed: `2, 3`, `(2, -1/2)`, `2 3`; null when it is none. */
export function readTypedPoint(text: string): PlanePoint | null {
  const inside = text.trim().replace(/^\(/, '').replace(/\)$/, '').trim();
  const parts = inside.includes(',') || inside.includes(';') ? inside.split(/[,;]/) : inside.split(/\s+/);
  const [x, y] = parts.map((part) => exactOf(part));
  return x && y && parts.length === 2 ? { x: q.toNumber(x), y: q.toNumber(y) } : null;
}

/** The next point of a figure, typed instead of pressed. */
export function TypePoint({ plane, model }: { plane: Plane; model: CoordinatePlaneModel }) {
  const t = useTranslations('interactions.plane');
  const id = useId();
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const give = () => {
    if (text.trim() === '') return;
    const point = readTypedPoint(text);
    if (!point) return setProblem(t('notAPoint'));
    const { x, y } = model;
    if (point.x < x.min || point.x > x.max || point.y < y.min || point.y > y.max)
      return setProblem(t('offPlane'));
    setProblem(null);
    setText('');
    return plane.set(point);
  };
  return (
    <span className={styles.typed}>
      <label>
        {t('typeLabel')}{' '}
        <input
          className={shared.field}
          size={8}
          value={text}
          placeholder={t('typeExample')}
          aria-invalid={problem !== null || undefined}
          aria-describedby={problem === null ? undefined : id}
          onChange={(event) => {
            setText(event.target.value);
            setProblem(null);
          }}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return;
            event.preventDefault();
            give();
          }}
        />
      </label>
      <button type="button" className={shared.button} onClick={give}>
        {t('typeAdd')}
      </button>
      <span id={id} role="status">
        {problem}
      </span>
    </span>
  );
}
