'use client';

import dynamic from 'next/dynamic';

/** Drawn in the browser only: the editors that take an answer are the browser's. */
export const ItemPage = dynamic(
  () => import('@/ui/desk/library/QuestionPage').then((module) => module.QuestionPage),
  { ssr: false },
);
