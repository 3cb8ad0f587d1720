'use client';

import dynamic from 'next/dynamic';

/** Drawn in the browser only: the editors that show an answer are the browser's. */
export const StudentAnswersPage = dynamic(
  () => import('@/ui/desk/results/StudentAnswers').then((module) => module.StudentAnswers),
  { ssr: false },
);
