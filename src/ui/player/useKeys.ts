'use client';

import { useEffect, useRef } from 'react';
import { TOOLS } from '../tools';
import { useToolState } from './PlayerContext';

export type ActionId =
  | 'next'
  | 'back'
  | 'flag'
  | 'review'
  | 'line-reader'
  | 'highlighter'
  | 'eliminator'
  | 'magnifier'
  | 'colours';

/** Alt with a letter that no common browser takes for itself (D, E, F are menus and the address). */
const LETTERS: Readonly<Record<ActionId, string>> = {
  next: 'N',
  back: 'B',
  flag: 'L',
  review: 'V',
  ...(Object.fromEntries(TOOLS.map((tool) => [tool.id, tool.letter])) as Record<
    Exclude<ActionId, 'next' | 'back' | 'flag' | 'review'>,
    string
  >),
};
const TAKEN = 'DEF';

/** The keys as this student has them. */
export function useKeySettings() {
  const [state, keep] = useToolState<{ on: boolean; letters: Partial<Record<ActionId, string>> }>('keys', {
    on: true,
    letters: {},
  });
  const letters: Record<ActionId, string> = { ...LETTERS, ...state.letters };
  return {
    on: state.on,
    letters,
    setOn: (on: boolean) => keep({ on }),
    setLetter: (action: ActionId, text: string) => {
      const letter = text.toUpperCase();
      const free =
        /^[A-Z]$/.test(letter) &&
        !TAKEN.includes(letter) &&
        !Object.entries(letters).some(([other, used]) => other !== action && used === letter);
      if (free) keep({ letters: { ...state.letters, [action]: letter } });
    },
  };
}

/** Listens for Alt with a letter. Plain letters never act, so nothing happens while typing. */
export function useKeys(actions: Readonly<Record<ActionId, () => void>>): void {
  const { on, letters } = useKeySettings();
  const latest = useRef({ actions, letters });
  useEffect(() => {
    latest.current = { actions, letters };
  });
  useEffect(() => {
    if (!on) return undefined;
    const press = (event: KeyboardEvent) => {
      if (!event.altKey || event.ctrlKey || event.metaKey) return;
      if (document.querySelector('[role="dialog"]')) return;
      const letter = /^Key([A-Z])$/.exec(event.code)?.[1];
      const entry = Object.entries(latest.current.letters).find(([, used]) => used === letter);
      if (!letter || !entry) return;
      event.preventDefault();
      latest.current.actions[entry[0] as ActionId]();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [on]);
}
