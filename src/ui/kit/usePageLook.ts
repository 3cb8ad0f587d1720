'use client';

import { useLayoutEffect } from 'react';
import { luminance } from '@/core/view/contrast';
import { paletteOf, type OwnColours } from '@/core/view/palette';
import { paletteVariables, SCHEMES, type Palette, type SchemeId } from '@/core/view/schemes';
import { textVariables, type TextLook } from '@/core/view/text';

export interface Looks {
  readonly scheme: SchemeId;
  readonly magnification: number;
  readonly text: TextLook;
  readonly own?: OwnColours | null;
  readonly inverted?: boolean;
}

/** The colors of a look: a scheme's, or those made of the student's own two. */
export const paletteOfLook = ({ scheme, own = null }: Pick<Looks, 'scheme' | 'own'>): Palette =>
  own ? paletteOf(own) : SCHEMES[scheme].palette;

/** Gives the page its colors, its size, its letters and the look of its pictures: everything sized in rem and colored by token follows. */
export function usePageLook({ scheme, magnification, text, own = null, inverted = false }: Looks): void {
  useLayoutEffect(() => {
    const root = document.documentElement;
    const dark = own ? luminance(own.sheet) < luminance(own.ink) : SCHEMES[scheme].dark;
    root.dataset.scheme = own ? (dark ? 'dusk' : 'paper') : scheme;
    root.style.setProperty('--magnification', String(magnification));
    root.toggleAttribute('data-inverted', inverted);
    root.style.colorScheme = dark ? 'dark' : 'light';
    const mine = { ...textVariables(text), ...(own ? paletteVariables(paletteOfLook({ scheme, own })) : {}) };
    for (const [name, value] of Object.entries(mine)) root.style.setProperty(name, value);
    return () => {
      for (const name of Object.keys(mine)) root.style.removeProperty(name);
    };
  }, [scheme, magnification, text, own, inverted]);
}
