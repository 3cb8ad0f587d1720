'use client';

import { useEffect, useState } from 'react';
import { askSpelling } from './spelling';
import type { SpellingAnswer } from './spelling.worker';

/** A word as the spelling marks see it. */
export const WORD = /[\p{L}][\p{L}'’]*[\p{L}]|[\p{L}]/gu;
const PAUSE = 500;

/** Words that are not in the word list, with suggestions; asked for after a pause in writing. Nothing while it is off. */
export function useSpelling(text: string, on: boolean): SpellingAnswer['wrong'] {
  const [wrong, setWrong] = useState<SpellingAnswer['wrong']>({});
  useEffect(() => {
    if (!on) return undefined;
    let stale = false;
    const timer = setTimeout(() => {
      void askSpelling([...new Set(text.match(WORD) ?? [])]).then((found) => {
        if (!stale) setWrong(found);
      });
    }, PAUSE);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [text, on]);
  return wrong;
}
