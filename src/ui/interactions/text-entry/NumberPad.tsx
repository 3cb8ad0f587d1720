'use client';

import { useTranslations } from 'use-intl';
import styles from './textEntry.module.css';
import { Press } from '../../kit/Button';

const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '0', '.', '−'] as const;

interface Props {
  readonly whole: boolean;
  readonly onKey: (key: string) => void;
  readonly onDelete: () => void;
}

/** A keypad on screen for a number, for a hand on a tablet or a switch; the keyboard does the same. */
export function NumberPad({ whole, onKey, onDelete }: Props) {
  const t = useTranslations('interactions.textEntry');
  const names: Readonly<Record<string, string>> = { '.': t('point'), '−': t('minus') };
  return (
    <span className={styles.pad} role="group" aria-label={t('pad')} data-no-text="">
      {KEYS.filter((key) => !(whole && key === '.')).map((key) => (
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
