'use client';

import { useLayoutEffect } from 'react';
import { SCHEMES, type SchemeId } from '@/core/view/schemes';

/** Gives the page a colour scheme, a magnification and the look of its pictures: everything sized in rem and coloured by token follows. */
export function usePageLook(scheme: SchemeId, magnification: number, inverted = false): void {
  useLayoutEffect(() => {
    const root = document.documentElement;
    root.dataset.scheme = scheme;
    root.style.setProperty('--magnification', String(magnification));
    root.toggleAttribute('data-inverted', inverted);
    root.style.colorScheme = SCHEMES[scheme].dark ? 'dark' : 'light';
  }, [scheme, magnification, inverted]);
}
