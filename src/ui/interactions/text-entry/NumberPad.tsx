'use client';

import { useTranslations } from 'use-intl';
import type { DecimalSign } from '@/core/languages';
import styles from './textEntry.module.css';
import { Press } from '../../kit/Button';

const DIGITS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '0'];

interface Props {
  /** The sign before the tenths; null where only whole numbers are taken. */
  readonly point: DecimalSign | null;
  readonly onKey: (key: string) => void;
  readonly onDelete: () => void;
}

/** A keypad on screen for a number, for a hand on a tablet or a switch; the keyboard does the same. */
export function NumberPad({ point, onKey, onDelete }: Props) {
  const t = useTranslations('interactions.textEntry');
  const names: Readonly<Record<string, string>> = { '.': t('point'), ',': t('point'), '−': t('minus') };
  return (
    <span className={styles.pad} role="group" aria-label={t('pad')} data-no-text="">
      {[...DIGITS, ...(point === null ? [] : [point]), '−'].map((key) => (
        <Press
          key={key}
          className={styles.key}
          aria-label={names[key] ?? key}
          onMouseDown={(event) => event.preventDefault()}
          onClick={() => onKey(key)}
        >
          {key}
        </Press>
      ))}
      <Press
        className={styles.key}
        aria-label={t('delete')}
        onMouseDown={(event) => event.preventDefault()}
        onClick={onDelete}
      >
        ⌫
      </Press>
    </span>
  );
}
