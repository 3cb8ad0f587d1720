'use client';

import type { ReactNode } from 'react';
import type { SchemeId } from '@/core/view/schemes';
import { AntLook } from './AntLook';
import { usePageLook } from './usePageLook';

/** A page outside the player in a person's colours and size. */
export function Look({
  scheme,
  magnification,
  children,
}: {
  scheme: SchemeId;
  magnification: number;
  children: ReactNode;
}) {
  usePageLook(scheme, magnification);
  return (
    <AntLook scheme={scheme} magnification={magnification}>
      {children}
    </AntLook>
  );
}
