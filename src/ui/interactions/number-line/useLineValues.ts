'use client';

import { useTranslations } from 'use-intl';
import { readOnLine } from '@/core/interactions/number-line';
import { labelOf, scaleOf, type Scale } from '@/core/interactions/number-line/ticks';
import type { Rational } from '@/core/math/rational';
import { useNumbers } from '../../content/useNumbers';

/** Values of a line as it labels them, and as they are typed. */
export function useLineValues(scale: Scale) {
  const t = useTranslations('interactions.numberLine');
  const numbers = useNumbers();
  const words = (value: Rational) =>
    numbers.show(labelOf(value, scale.labels === 'fraction' ? 'fraction' : 'decimal'));
  return {
    words,
    /** The value a text means, or in words why it can't be one of this line. */
    read: (text: string): { readonly value: Rational } | { readonly problem: string } => {
      const value = readOnLine(scale, numbers.read(text));
      if (value === 'not-a-number') return { problem: t('notANumber') };
      if (value !== 'outside') return { value };
      const { min, max } = scaleOf(scale);
      return { problem: t('outside', { min: words(min), max: words(max) }) };
    },
  };
}
