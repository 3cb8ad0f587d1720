'use client';

import { useId, useState } from 'react';
import type { Announce } from '../../kit/speech';
import shared from '../shared.module.css';
import { Button } from '../../kit/Button';

interface Props<Value> {
  readonly label: string;
  readonly action: string;
  readonly example?: string;
  readonly size: number;
  /** The value a text means, or in words why it means none. */
  readonly read: (text: string) => { readonly value: Value } | { readonly problem: string };
  readonly onValue: (value: Value) => void;
  readonly announce: Announce;
}

/** Something typed instead of pressed; what cannot be read is said at once and kept. */
export function TypeField<Value>({ label, action, example, size, read, onValue, announce }: Props<Value>) {
  const id = useId();
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const give = () => {
    if (text.trim() === '') return;
    const found = read(text);
    if ('problem' in found) {
      announce(found.problem);
      return setProblem(found.problem);
    }
    setProblem(null);
    setText('');
    return onValue(found.value);
  };
  return (
    <span className={shared.row}>
      <label>
        {label}{' '}
        <input
          className={shared.field}
          value={text}
          size={size}
          placeholder={example}
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
      <Button onClick={give}>{action}</Button>
      <span id={id}>{problem}</span>
    </span>
  );
}
