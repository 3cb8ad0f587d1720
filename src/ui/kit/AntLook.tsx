'use client';

import { ConfigProvider } from 'antd';
import { useMemo, type ReactNode } from 'react';
import { paletteOfLook, type Looks } from './usePageLook';
import { themeFor } from './theme';

type Props = Pick<Looks, 'scheme' | 'own' | 'magnification'> & { readonly children: ReactNode };

/** Ant Design in the page's colors, a scheme's or the student's own, and its magnification. */
export function AntLook({ scheme, own = null, magnification, children }: Props) {
  const theme = useMemo(
    () => themeFor(paletteOfLook({ scheme, own }), magnification),
    [scheme, own, magnification],
  );
  return (
    <ConfigProvider theme={theme} wave={{ disabled: true }} button={{ autoInsertSpace: false }}>
      {children}
    </ConfigProvider>
  );
}
