'use client';

import { useEffect, useState } from 'react';
import { isTight, layoutFor, type Layout } from '@/core/view/layout';

/** The layout for this window at a magnification, followed through resizing and turning the tablet. */
export function useLayout(magnification: number): { readonly layout: Layout; readonly tight: boolean } {
  const [size, setSize] = useState<{ width: number; height: number }>(() => ({
    width: window.innerWidth,
    height: window.innerHeight,
  }));
  useEffect(() => {
    const update = () => setSize({ width: window.innerWidth, height: window.innerHeight });
    window.addEventListener('resize', update);
    return () => window.removeEventListener('resize', update);
  }, []);
  return {
    layout: layoutFor(size.width, size.height, magnification),
    tight: isTight(size.width, magnification),
  };
}
