'use client';

import { useEffect, useState } from 'react';
import { flushSync } from 'react-dom';

/** Whether the page is being put on paper: then all of a list is shown, and not the part that is on the screen. */
export function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false);
  useEffect(() => {
    const paper = window.matchMedia('print');
    // The page is taken as it stands when this returns.
    const told = ({ matches }: MediaQueryListEvent) => flushSync(() => setPrinting(matches));
    paper.addEventListener('change', told);
    return () => paper.removeEventListener('change', told);
  }, []);
  return printing;
}
