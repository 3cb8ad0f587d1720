'use client';

import { useLayoutEffect } from 'react';
import { SCHEMES, type SchemeId } from '@/core/view/schemes';

/** Gives the page a colour scheme and a magnification: everything sized in rem and coloured by token follows. */
export function usePageLook(scheme: SchemeId, magnification: number): void {
  useLayoutEffect(() => {
    const root = document.documentElement;
    root.dataset.scheme = scheme;
    root.style.setProperty('--magnification', String(magnification));
    root.style.colorScheme = SCHEMES[scheme].dark ? 'dark' : 'light';
  }, [scheme, magnification]);
}
