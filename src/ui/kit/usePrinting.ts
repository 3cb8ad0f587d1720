'use client';

import { useSyncExternalStore } from 'react';

const paper = () => window.matchMedia('print');

function listen(changed: () => void): () => void {
  const asked = paper();
  asked.addEventListener('change', changed);
  return () => asked.removeEventListener('change', changed);
}

/** Whether the page is being put on paper: then all of a list is shown, and not the part that is on the screen. */
export const usePrinting = (): boolean =>
  useSyncExternalStore(
    listen,
    () => paper().matches,
    () => false,
  );
