'use client';

import type { ReactNode } from 'react';
import { AntLook } from './AntLook';
import { usePageLook, type Looks } from './usePageLook';

/** A page outside the player in a person's colours and size. */
export function Look({ look, children }: { readonly look: Looks; readonly children: ReactNode }) {
  usePageLook(look);
  const { scheme, own, magnification } = look;
  return (
    <AntLook scheme={scheme} own={own} magnification={magnification}>
      {children}
    </AntLook>
  );
}
