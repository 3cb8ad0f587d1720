'use client';

import { useState } from 'react';

/** A field over a value: what is being typed until it is given, else the value as it stands. */
export function useDraft(value: string, give: (text: string) => void) {
  const [draft, setDraft] = useState<string | null>(null);
  const settle = () => {
    if (draft !== null && draft !== value) give(draft);
    setDraft(null);
  };
  return {
    value: draft ?? value,
    onChange: (event: { target: { value: string } }) => setDraft(event.target.value),
    onBlur: settle,
    onKeyDown: (event: { key: string }) => {
      if (event.key === 'Enter') settle();
    },
  };
}
