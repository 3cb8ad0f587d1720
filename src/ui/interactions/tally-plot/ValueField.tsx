'use client';

import { Minus, Plus } from 'lucide-react';
import { useTranslations } from 'use-intl';
import type { TallyPlotModel } from '@/core/interactions/tally-plot';
import { useDraft } from '../shared/useDraft';
import styles from './tallyPlot.module.css';
import { Button } from '../../kit/Button';

export interface PlotProps {
  readonly model: TallyPlotModel;
  readonly values: readonly number[];
  readonly set: (index: number, value: number) => void;
  /** One counter from a box or the supply (null) to a box or out (null). */
  readonly move: (from: number | null, to: number | null) => void;
  readonly readOnly: boolean;
}

/** One fewer, the number itself to be typed, one more. */
export function ValueField({ model, values, set, readOnly, index }: PlotProps & { readonly index: number }) {
  const t = useTranslations('interactions.tallyPlot');
  const value = values[index] ?? 0;
  const category = model.categories[index] ?? '';
  const field = useDraft(String(value), (text) => {
    const typed = Number(text);
    if (text.trim() !== '' && Number.isFinite(typed)) set(index, typed);
  });
  return (
    <span className={styles.field}>
      <Button
        look="quiet"
        aria-label={t('fewer', { category })}
        disabled={readOnly || value <= 0}
        onClick={() => set(index, value - model.step)}
      >
        <Minus size="1.1em" aria-hidden="true" />
      </Button>
      <input
        className={styles.number}
        inputMode="decimal"
        aria-label={t('value', { category })}
        {...field}
        readOnly={readOnly}
      />
      <Button
        look="quiet"
        aria-label={t('more', { category })}
        disabled={readOnly || value >= model.max}
        onClick={() => set(index, value + model.step)}
      >
        <Plus size="1.1em" aria-hidden="true" />
      </Button>
    </span>
  );
}
