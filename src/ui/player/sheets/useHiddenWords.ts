'use client';

import { useTranslations } from 'use-intl';
import type { UnitKind } from './units';

const ORDER: readonly UnitKind[] = ['choice', 'row', 'menu', 'box', 'paragraph', 'question'];

/** "Part B and 2 more choices": what is hidden, the two most telling things. */
export function useHiddenWords() {
  const t = useTranslations('below');
  return (counts: Partial<Record<UnitKind, number>>, parts: readonly string[]): string => {
    const words = [
      ...parts.map((part) => t('part', { part })),
      ...ORDER.flatMap((kind) => (counts[kind] ? [t(kind as 'choice', { count: counts[kind] ?? 0 })] : [])),
    ].slice(0, 2);
    const [first, second] = words;
    if (!first) return t('more');
    return second ? t('both', { first, second }) : first;
  };
}
