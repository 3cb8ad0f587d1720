'use client';

import dynamic from 'next/dynamic';

/** The question screen lives in the browser only. */
export const WarmUpPage = dynamic(
  () => import('@/ui/player/warm-up/WarmUp').then((module) => module.WarmUp),
  {
    ssr: false,
  },
);
