'use client';

import dynamic from 'next/dynamic';

/** The sample works as in a test, in the browser alone. */
export const MyViewPage = dynamic(() => import('@/ui/entry/MyView').then(({ MyView }) => MyView), {
  ssr: false,
});
