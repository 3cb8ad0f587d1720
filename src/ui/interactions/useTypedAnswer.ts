'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { wordsBegun } from '@/core/content/words';

/**
 * Text being typed: shown at once, given as an answer after each word and each short pause, and at the latest when the box is left,
 * the question is left or the page goes away. An answer that changes from outside (undo, another device) replaces the text; one that is
 * only the text as it is kept (a blank at its end left off, maths written in another way) never does: it is still being written.
 * @param asKept how a text comes back once it was given
 */
export function useTypedAnswer(
  answer: string,
  give: (text: string) => void,
  pauseMs: number,
  asKept: (text: string) => string = (text) => text,
) {
  const [draft, setDraft] = useState(answer);
  const given = useRef(answer);
  const pending = useRef<{ text: string; timer: ReturnType<typeof setTimeout> } | null>(null);
  const giveRef = useRef(give);
  useEffect(() => {
    giveRef.current = give;
  });

  const settle = useCallback(() => {
    const waiting = pending.current;
    if (!waiting) return;
    clearTimeout(waiting.timer);
    pending.current = null;
    given.current = waiting.text;
    giveRef.current(waiting.text);
  }, []);

  const asKeptRef = useRef(asKept);
  useEffect(() => {
    asKeptRef.current = asKept;
  });
  useEffect(() => {
    if (pending.current || answer === asKeptRef.current(given.current)) return;
    given.current = answer;
    setDraft(answer);
  }, [answer]);

  useEffect(() => {
    window.addEventListener('pagehide', settle);
    return () => {
      window.removeEventListener('pagehide', settle);
      settle();
    };
  }, [settle]);

  const change = (text: string) => {
    setDraft(text);
    if (pending.current && wordsBegun(pending.current.text) !== wordsBegun(text)) settle();
    if (pending.current) clearTimeout(pending.current.timer);
    pending.current = { text, timer: setTimeout(settle, pauseMs) };
  };
  return { draft, change, settle };
}
