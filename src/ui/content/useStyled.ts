'use client';

import { useId, useLayoutEffect } from 'react';
import type { StyleRule } from '@/core/content/styles';
import { styleSheetOf } from '@/core/view/styleSheet';
import { usePalette } from '../kit/usePageLook';

/**
 * Content looks as its package's style sheet says, in the colors of this page, and nothing else of the page with it. The sheet is the
 * document's, not an element among what is read, marked and spoken.
 * @returns what the element around the content is given; nothing where there are no rules
 */
export function useStyled(rules: readonly StyleRule[] | undefined): { readonly 'data-styled'?: string } {
  const id = useId();
  const palette = usePalette();
  const has = rules !== undefined && rules.length > 0;
  useLayoutEffect(() => {
    if (!has) return undefined;
    const sheet = new CSSStyleSheet();
    sheet.replaceSync(styleSheetOf(rules, `[data-styled="${id}"]`, palette));
    document.adoptedStyleSheets.push(sheet);
    return () => {
      document.adoptedStyleSheets = document.adoptedStyleSheets.filter((one) => one !== sheet);
    };
  }, [has, id, palette, rules]);
  return has ? { 'data-styled': id } : {};
}
