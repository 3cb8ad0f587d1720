'use client';

import { useEffect, useState } from 'react';

/** Lets the focus rest on something that does not take it by Tab. */
function restOn(place: HTMLElement): void {
  if (!place.matches('[tabindex]')) place.tabIndex = -1;
  place.focus({ preventScroll: true });
}

/** Moments at which something that goes may be gone, in milliseconds: at once, or after it has faded. */
const GOING_MS = [0, 120, 350, 700];

/**
 * For something that is there for a while and holds the focus (a dialog, a menu): gives it back to what had it before, when it goes.
 * Where that is gone too, the page's main part has it: never nothing. A focus that went on by itself is left where it is.
 */
export function useFocusBack(): void {
  const [before] = useState(() => document.activeElement);
  useEffect(
    () => () => {
      // After the page has changed: what goes takes the focus with it only then, and may take its time to go.
      const giveBack = () => {
        if (document.activeElement !== null && document.activeElement !== document.body) return;
        const usable = before instanceof HTMLElement && before !== document.body && before.isConnected;
        if (usable) before.focus({ preventScroll: true });
        if (document.activeElement !== document.body) return;
        const main = document.querySelector<HTMLElement>('main');
        if (main) restOn(main);
      };
      for (const later of GOING_MS) setTimeout(giveBack, later);
    },
    [before],
  );
}
