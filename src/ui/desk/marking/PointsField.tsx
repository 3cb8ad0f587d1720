'use client';

import { InputNumber, Radio, type RadioRef } from 'antd';
import { useEffect, useId, useRef, type KeyboardEvent } from 'react';
import { useTranslations } from 'use-intl';
import type { Trait } from '@/core/marking/marking';
import styles from './marking.module.css';

/** Up to so many points there is a button for each. */
const BUTTONS = 9;

interface Props {
  readonly trait: Trait;
  /** The first of its answer has the focus when it comes. */
  readonly first: boolean;
  readonly value: number | null;
  readonly onChange: (points: number | null) => void;
}

/** Points for one trait: a button for each, chosen by its digit too while one is focused; a field where they are many. */
export function PointsField({ trait: { outcome, minimum, maximum }, first, value, onChange }: Props) {
  const t = useTranslations('marking');
  const id = useId();
  const firstRef = useRef<RadioRef>(null);
  const fieldRef = useRef<React.ComponentRef<typeof InputNumber>>(null);
  useEffect(() => {
    // The answer is read first: on a narrow screen it stands above, and stays in sight.
    if (first) (firstRef.current ?? fieldRef.current)?.focus({ preventScroll: true });
  }, [first]);
  const name = outcome === 'SCORE' ? t('pointsFor') : t('pointsForTrait', { trait: outcome });
  const few =
    maximum !== null && Number.isInteger(maximum) && Number.isInteger(minimum) && maximum <= BUTTONS;
  if (!few || minimum < 0)
    return (
      <div className={styles.trait}>
        <label htmlFor={id}>{name}</label>
        <InputNumber
          id={id}
          ref={fieldRef}
          size="large"
          min={minimum}
          max={maximum ?? 1_000}
          step={0.5}
          value={value}
          onChange={onChange}
        />
        {maximum !== null && <span>{t('outOf', { maximum })}</span>}
      </div>
    );
  const choices = Array.from({ length: maximum - minimum + 1 }, (_, i) => minimum + i);
  const byDigit = (event: KeyboardEvent) => {
    const given = Number(event.key);
    const plain = !event.ctrlKey && !event.metaKey && !event.altKey && event.key.trim() !== '';
    if (!plain || !choices.includes(given)) return;
    event.preventDefault();
    onChange(given);
  };
  return (
    <fieldset className={styles.trait}>
      <legend>{name}</legend>
      <Radio.Group
        value={value}
        onChange={({ target }) => onChange(target.value as number)}
        className={styles.points}
      >
        {choices.map((one, i) => (
          <Radio key={one} ref={i === 0 ? firstRef : undefined} value={one} onKeyDown={byDigit}>
            {one}
          </Radio>
        ))}
      </Radio.Group>
      <p className={styles.hint}>{t('byKeys')}</p>
    </fieldset>
  );
}
