'use client';

import { Input } from 'antd';
import { useState, type ReactNode } from 'react';
import { MOST_REASON } from '@/core/wire/requests';
import { Labelled } from '../entry/Labelled';

interface Reason {
  /** The field, with what is missing of it. */
  readonly field: ReactNode;
  /** The reason as it is kept; null where there is none, and then that is said. */
  readonly given: () => string | null;
}

/** Why somebody does something that is written down: nothing is done without it. */
export function useReason({
  label,
  text,
  missing: words,
}: {
  readonly label: string;
  /** What becomes of it. */
  readonly text?: string;
  /** What is said where there is none. */
  readonly missing: string;
}): Reason {
  const [reason, setReason] = useState('');
  const [missing, setMissing] = useState(false);
  const why = reason.trim();
  return {
    field: (
      <>
        <Labelled label={label}>
          {(id) => (
            <Input
              id={id}
              size="large"
              maxLength={MOST_REASON}
              value={reason}
              aria-invalid={missing || undefined}
              onChange={({ target }) => {
                setReason(target.value);
                setMissing(false);
              }}
            />
          )}
        </Labelled>
        {text !== undefined && <p>{text}</p>}
        {missing && (
          <p role="alert">
            <b>{words}</b>
          </p>
        )}
      </>
    ),
    given: () => {
      setMissing(why === '');
      return why === '' ? null : why;
    },
  };
}
