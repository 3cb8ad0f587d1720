'use client';

import { useEffect, useState } from 'react';
import { layoutFor, type Layout } from '@/core/view/layout';

/** The layout for this window at a magnification, followed through resizing and turning the tablet. */
export function useLayout(magnification: number): Layout {
  const [size, setSize] = useState<{ width: number; height: number }>(() => ({
    width: window.innerWidth,
    height: window.innerHeight,
  }));
  useEffect(() => {
    const update = () => setSize({ width: window.innerWidth, height: window.innerHeight });
    window.addEventListener('resize', update);
    return () => window.removeEventListener('resize', update);
  }, []);
  return layoutFor(size.width, size.height, magnification);
}
