'use client';

import { useEffect, useRef, useState } from 'react';
import type { SpellingAnswer, SpellingQuestion } from './spelling.worker';

const WORD = /[\p{L}][\p{L}'’]*[\p{L}]|[\p{L}]/gu;
const PAUSE = 500;

/** The words of a text, each once. */
export const wordsOf = (text: string): string[] => [...new Set(text.match(WORD) ?? [])];

/** Words that are not in the dictionary, with suggestions; asked for after a pause in writing. Nothing while it is off. */
export function useSpelling(text: string, on: boolean): SpellingAnswer['wrong'] {
  const workerRef = useRef<Worker | null>(null);
  const idRef = useRef(0);
  const [wrong, setWrong] = useState<SpellingAnswer['wrong']>({});
  useEffect(() => {
    if (!on) return undefined;
    const worker = new Worker(new URL('./spelling.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = (event: MessageEvent<SpellingAnswer>) => {
      if (event.data.id === idRef.current) setWrong(event.data.wrong);
    };
    workerRef.current = worker;
    return () => {
      worker.terminate();
      workerRef.current = null;
    };
  }, [on]);
  useEffect(() => {
    if (!on) return undefined;
    const timer = setTimeout(() => {
      idRef.current += 1;
      workerRef.current?.postMessage({ id: idRef.current, words: wordsOf(text) } satisfies SpellingQuestion);
    }, PAUSE);
    return () => clearTimeout(timer);
  }, [text, on]);
  return wrong;
}
