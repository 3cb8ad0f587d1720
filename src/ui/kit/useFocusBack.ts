'use client';

import { useEffect, useState } from 'react';

/** Lets the focus rest on something that does not take it by Tab. */
function restOn(place: HTMLElement): void {
  if (!place.matches('[tabindex]')) place.tabIndex = -1;
  place.focus({ preventScroll: true });
}

/** What goes may take its time to be gone: how often it is looked after, and for how long, in milliseconds. */
const LOOK_EVERY_MS = 100;
const LOOK_FOR_MS = 5_000;

/**
 * For something that is there for a while and holds the focus (a dialog, a menu): gives it back to what had it before, when it goes.
 * Where that is gone too, the page's main part has it: never nothing. A focus that went on by itself is left where it is, and
 * whoever presses a key or the pointer decides from then on.
 */
export function useFocusBack(): void {
  const [before] = useState(() => document.activeElement);
  useEffect(
    () => () => {
      const giveBack = () => {
        if (document.activeElement !== null && document.activeElement !== document.body) return;
        const usable = before instanceof HTMLElement && before !== document.body && before.isConnected;
        if (usable) before.focus({ preventScroll: true });
        if (document.activeElement !== document.body) return;
        const main = document.querySelector<HTMLElement>('main');
        if (main) restOn(main);
      };
      // After the page has changed: what goes takes the focus with it only then, and a busy machine takes longer.
      setTimeout(() => {
        giveBack();
        const looking = setInterval(giveBack, LOOK_EVERY_MS);
        const stop = () => {
          clearInterval(looking);
          for (const act of ['keydown', 'pointerdown']) document.removeEventListener(act, stop, true);
        };
        for (const act of ['keydown', 'pointerdown']) document.addEventListener(act, stop, true);
        setTimeout(stop, LOOK_FOR_MS);
      });
    },
    [before],
  );
}
