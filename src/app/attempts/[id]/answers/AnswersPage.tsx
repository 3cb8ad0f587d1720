'use client';

import dynamic from 'next/dynamic';

/** Drawn in the browser only: the editors that show an answer are the browser's. */
export const AnswersPage = dynamic(() => import('@/ui/entry/Answers').then((module) => module.Answers), {
  ssr: false,
});
