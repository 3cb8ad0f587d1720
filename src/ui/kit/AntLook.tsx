'use client';

import { ConfigProvider } from 'antd';
import { useMemo, type ReactNode } from 'react';
import type { SchemeId } from '@/core/view/schemes';
import { themeFor } from './theme';

/** Ant Design in a colour scheme and a magnification. */
export function AntLook({
  scheme,
  magnification,
  children,
}: {
  scheme: SchemeId;
  magnification: number;
  children: ReactNode;
}) {
  const theme = useMemo(() => themeFor(scheme, magnification), [scheme, magnification]);
  return (
    <ConfigProvider theme={theme} wave={{ disabled: true }} button={{ autoInsertSpace: false }}>
      {children}
    </ConfigProvider>
  );
}
