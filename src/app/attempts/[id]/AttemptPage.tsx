'use client';

import dynamic from 'next/dynamic';

/** The question screen lives in the browser only: its answers are in IndexedDB and its editor needs a DOM. */
export const AttemptPage = dynamic(() => import('@/ui/player/Player').then((module) => module.Player), {
  ssr: false,
});
