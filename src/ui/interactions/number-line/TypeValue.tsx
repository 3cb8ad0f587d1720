'use client';

import { useId, useState } from 'react';
import { useTranslations } from 'use-intl';
import { exactOf } from '@/core/interactions/quantity';
import type { Rational } from '@/core/math/rational';
import shared from '../shared.module.css';
import styles from './numberLine.module.css';

interface Props {
  readonly label: string;
  readonly action: string;
  readonly within: (value: Rational) => boolean;
  /** What to say of a value that is off the line. */
  readonly outside: string;
  readonly onValue: (value: Rational) => void;
}

/** A value typed as a decimal or a fraction; what is no number is said at once and kept. */
export function TypeValue({ label, action, within, outside, onValue }: Props) {
  const t = useTranslations('interactions.numberLine');
  const id = useId();
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const give = () => {
    if (text.trim() === '') return;
    const value = exactOf(text);
    if (!value) return setProblem(t('notANumber'));
    if (!within(value)) return setProblem(outside);
    setProblem(null);
    setText('');
    return onValue(value);
  };
  return (
    <span className={styles.typed}>
      <label>
        {label}{' '}
        <input
          className={shared.field}
          value={text}
          size={7}
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
        {action}
      </button>
      <span id={id} role="status">
        {problem}
      </span>
    </span>
  );
}
