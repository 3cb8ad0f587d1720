'use client';

import { useEffect, useState } from 'react';

/** Lets the focus rest on something that does not take it by Tab. */
function restOn(place: HTMLElement): void {
  if (!place.matches('[tabindex]')) place.tabIndex = -1;
  place.focus({ preventScroll: true });
}

/**
 * For something that is there for a while and holds the focus (a dialog, a menu): gives it back to what had it before, when it goes.
 * Where that is gone too, the page's main part has it: never nothing. A focus that went on by itself is left where it is.
 */
export function useFocusBack(): void {
  const [before] = useState(() => document.activeElement);
  useEffect(
    () => () => {
      // After the page has changed: what goes takes the focus with it only then.
      setTimeout(() => {
        if (document.activeElement !== null && document.activeElement !== document.body) return;
        const usable = before instanceof HTMLElement && before !== document.body && before.isConnected;
        if (usable) before.focus({ preventScroll: true });
        if (document.activeElement !== document.body) return;
        const main = document.querySelector<HTMLElement>('main');
        if (main) restOn(main);
      });
    },
    [before],
  );
}
