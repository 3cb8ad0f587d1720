'use client';

import { useMemo, type ReactNode } from 'react';
import { AntLook } from './AntLook';
import { PaletteContext, paletteOfLook, usePageLook, type Looks } from './usePageLook';

/** A page outside the player in a person's colours and size. */
export function Look({ look, children }: { readonly look: Looks; readonly children: ReactNode }) {
  usePageLook(look);
  const { scheme, own, magnification } = look;
  const palette = useMemo(() => paletteOfLook({ scheme, own }), [scheme, own]);
  return (
    <AntLook scheme={scheme} own={own} magnification={magnification}>
      <PaletteContext value={palette}>{children}</PaletteContext>
    </AntLook>
  );
}
