'use client';

import { useEffect, useRef } from 'react';
import { KEYS, lettersOf, withLetter } from './keys';
import { useKept } from '../attempt/PlayerContext';

/** The keys as this student has them. */
export function useKeySettings() {
  const [settings, keep] = useKept('keys', KEYS);
  return {
    on: settings.on,
    letters: lettersOf(settings),
    setOn: (on: boolean) => keep({ on }),
    setLetter: (action: string, text: string) =>
      keep({ letters: withLetter(settings, action, text).letters }),
  };
}

/** Listens for Alt with a letter. Plain letters never act, so nothing happens while typing. */
export function useKeys(actions: ReadonlyMap<string, () => void>): void {
  const { on, letters } = useKeySettings();
  const latest = useRef({ actions, letters });
  useEffect(() => {
    latest.current = { actions, letters };
  });
  useEffect(() => {
    if (!on) return undefined;
    const press = (event: KeyboardEvent) => {
      if (!event.altKey || event.ctrlKey || event.metaKey) return;
      // What stands over the screen has the keys: a dialog of ours, or the browser's own.
      if (document.querySelector('[role="dialog"], dialog[open]')) return;
      const letter = /^Key([A-Z])$/.exec(event.code)?.[1];
      const found = [...latest.current.letters].find(([, used]) => used === letter);
      const act = found && latest.current.actions.get(found[0]);
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [on]);
}
