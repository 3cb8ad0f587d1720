'use client';

import { useTranslations } from 'use-intl';
import type { ItemProgress, PartProgress } from '@/core/item/progress';

export interface ProgressLine {
  /** "Part A:" */
  readonly label: string | null;
  readonly text: string;
}

/** Lines of progress one after another: "Part A: 1 of 2 chosen · Part B: done". Aloud a full stop is heard between them. */
export const progressText = (lines: readonly ProgressLine[], between = ' · '): string =>
  lines.map(({ label, text }) => [label, text].filter(Boolean).join(' ')).join(between);

/** Progress in words: "Part A: 1 of 2 chosen", "Part B: done". */
export function useProgressWords(): (progress: ItemProgress) => ProgressLine[] {
  const t = useTranslations('missing');
  const textOf = (part: PartProgress): string => {
    if (part.state === 'complete') return t('done');
    return part.missing.map(({ code, values }) => t(code as 'choose', { ...values })).join(', ');
  };
  return (progress) => {
    if (progress.parts.length === 0) return [{ label: null, text: t('nothingToAnswer') }];
    return progress.parts.map((part) => ({
      label: part.label === null ? null : t('part', { part: part.label }),
      text: textOf(part),
    }));
  };
}
