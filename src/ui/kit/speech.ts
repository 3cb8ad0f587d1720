'use client';

import { useEffect, useId, useRef, useSyncExternalStore } from 'react';

/**
 * Says something to a screen reader, politely and once.
 * @param about what is said about the same thing waits until it has come to rest, and only the newest is said: how far an answer is,
 *   a refusal while something is being typed. Empty words take back what waits.
 */
export type Announce = (words: string, about?: string) => void;

/** How long something has to be left alone before it is spoken about, in milliseconds: longer than between two keys. */
const REST_MS = 900;
/** How long what was said stays to be found by a screen reader that is still busy, in milliseconds. */
const STAYS_MS = 15_000;

export interface Line {
  readonly id: number;
  readonly words: string;
}

/** The one queue of everything that is said aloud on a page: nothing is said over, nothing is lost, nothing twice. */
export class Speech {
  private lines: readonly Line[] = [];
  private readonly waiting = new Map<string, ReturnType<typeof setTimeout>>();
  private readonly listeners = new Set<() => void>();
  private last = 0;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  /** What was said lately, oldest first. */
  readonly read = (): readonly Line[] => this.lines;

  readonly say: Announce = (words, about) => {
    if (about === undefined) {
      if (words !== '') this.add(words);
      return;
    }
    clearTimeout(this.waiting.get(about));
    this.waiting.delete(about);
    if (words === '') return;
    this.waiting.set(
      about,
      setTimeout(() => {
        this.waiting.delete(about);
        this.add(words);
      }, REST_MS),
    );
  };

  private add(words: string): void {
    const line = { id: (this.last += 1), words };
    this.change([...this.lines, line]);
    setTimeout(() => this.change(this.lines.filter((one) => one !== line)), STAYS_MS);
  }
  private change(lines: readonly Line[]): void {
    this.lines = lines;
    for (const listener of this.listeners) listener();
  }
}

export const useSpeech = (speech: Speech): readonly Line[] =>
  useSyncExternalStore(speech.subscribe, speech.read, speech.read);

/**
 * Says words that stand on the screen and change there: when they have come to rest, and not as they were found at first.
 * @param words null when there is nothing to say
 */
export function useTold(announce: Announce, words: string | null): void {
  const about = useId();
  const told = useRef(words);
  useEffect(() => {
    if (told.current === words) return;
    told.current = words;
    announce(words ?? '', about);
  }, [about, announce, words]);
}
