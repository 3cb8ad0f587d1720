'use client';

import { createContext, useContext, useLayoutEffect } from 'react';
import type { OwnColours } from '@/core/view/palette';
import { shownColours } from '@/core/view/shown';
import { paletteVariables, type Palette, type SchemeId } from '@/core/view/schemes';
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
  shownColours({ scheme, own }).palette;

/** Gives the page its colors, its size, its letters and the look of its pictures: everything sized in rem and colored by token follows. */
export function usePageLook({ scheme, magnification, text, own = null, inverted = false }: Looks): void {
  useLayoutEffect(() => {
    const root = document.documentElement;
    const { scheme: named, dark, palette } = shownColours({ scheme, own });
    root.dataset.scheme = named;
    root.style.setProperty('--magnification', String(magnification));
    root.toggleAttribute('data-inverted', inverted);
    root.style.colorScheme = dark ? 'dark' : 'light';
    const mine = { ...textVariables(text), ...(own ? paletteVariables(palette) : {}) };
    for (const [name, value] of Object.entries(mine)) root.style.setProperty(name, value);
    return () => {
      for (const name of Object.keys(mine)) root.style.removeProperty(name);
    };
  }, [scheme, magnification, text, own, inverted]);
}

/** The colors that the page has now, for what is drawn from them and not by their names. */
export const PaletteContext = createContext<Palette>(paletteOfLook({ scheme: 'paper' }));
export const usePalette = (): Palette => useContext(PaletteContext);
