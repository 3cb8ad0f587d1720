'use client';

import type { ReactNode } from 'react';
import type { SchemeId } from '@/core/view/schemes';
import type { TextLook } from '@/core/view/text';
import { AntLook } from './AntLook';
import { usePageLook } from './usePageLook';

/** A page outside the player in a person's colours and size. */
export function Look({
  scheme,
  magnification,
  text,
  children,
}: {
  scheme: SchemeId;
  magnification: number;
  text: TextLook;
  children: ReactNode;
}) {
  usePageLook({ scheme, magnification, text });
  return (
    <AntLook scheme={scheme} magnification={magnification}>
      {children}
    </AntLook>
  );
}
