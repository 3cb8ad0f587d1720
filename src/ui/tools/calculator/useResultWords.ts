'use client';

import { useTranslations } from 'use-intl';
import { saidTree } from '@/core/interactions/saidMaths';
import type { Decimal, Result } from '@/core/tools/calculator';
import { sayer } from '../../interactions/said';

/** A decimal in words: "about 0.333333333333", "1 times 10 to the power 20". */
export function useDecimalWords(): (decimal: Decimal) => string {
  const t = useTranslations('tools.calculator');
  return ({ digits, power, exact }) => {
    const number = power === 0 ? digits : t('timesTen', { digits, power });
    return exact ? number : t('roughly', { number });
  };
}

/** A result in one sentence: what was asked, and every form of what it is worth. */
export function useResultWords(): (result: Result) => string {
  const t = useTranslations('tools.calculator');
  const said = useTranslations('said');
  const decimal = useDecimalWords();
  return (result) => {
    const { phrase } = sayer(said);
    const whole = result.exact?.t === 'num' || (result.exact?.t === 'neg' && result.exact.arg.t === 'num');
    const forms = [
      ...(result.exact && !whole ? [phrase(saidTree(result.exact))] : []),
      ...(result.mixed ? [phrase(saidTree(result.mixed))] : []),
      decimal(result.decimal),
    ];
    return t('result', { asked: phrase(saidTree(result.asked)), forms: forms.join(t('or')) });
  };
}
