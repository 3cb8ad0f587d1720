'use client';

import dynamic from 'next/dynamic';

/** Drawn in the browser only: the editors that show an answer are the browser's. */
export const MarkPage = dynamic(
  () => import('@/ui/desk/marking/MarkAnswer').then((module) => module.MarkAnswer),
  { ssr: false },
);
