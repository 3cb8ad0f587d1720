'use client';

import { useTranslations } from 'use-intl';
import { readOnLine } from '@/core/interactions/number-line';
import { labelOf, scaleOf, type Scale } from '@/core/interactions/number-line/ticks';
import type { Rational } from '@/core/math/rational';

/** Values of a line as it labels them, and as they are typed. */
export function useLineValues(scale: Scale) {
  const t = useTranslations('interactions.numberLine');
  const words = (value: Rational) => labelOf(value, scale.labels === 'fraction' ? 'fraction' : 'decimal');
  return {
    words,
    /** The value a text means, or in words why it can't be one of this line. */
    read: (text: string): { readonly value: Rational } | { readonly problem: string } => {
      const value = readOnLine(scale, text);
      if (value === 'not-a-number') return { problem: t('notANumber') };
      if (value !== 'outside') return { value };
      const { min, max } = scaleOf(scale);
      return { problem: t('outside', { min: words(min), max: words(max) }) };
    },
  };
}
