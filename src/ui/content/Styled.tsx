'use client';

import { useId, useMemo, type ReactNode } from 'react';
import type { StyleRule } from '@/core/content/styles';
import { styleSheetOf } from '@/core/view/styleSheet';
import { usePalette } from '../kit/usePageLook';

/** Content that looks as its package's style sheet says, in the colors of this page, and nothing else of the page with it. */
export function Styled({
  rules,
  children,
}: {
  rules: readonly StyleRule[] | undefined;
  children: ReactNode;
}) {
  return rules && rules.length > 0 ? <WithRules rules={rules}>{children}</WithRules> : <>{children}</>;
}

function WithRules({ rules, children }: { rules: readonly StyleRule[]; children: ReactNode }) {
  const id = useId();
  const palette = usePalette();
  const css = useMemo(() => styleSheetOf(rules, `[data-styled="${id}"]`, palette), [id, palette, rules]);
  return (
    <div data-styled={id}>
      <style>{css}</style>
      {children}
    </div>
  );
}
