'use client';

import { Minus, Plus } from 'lucide-react';
import { useTranslations } from 'use-intl';
import type { TallyPlotModel } from '@/core/interactions/tally-plot';
import { useNumbers } from '../../content/useNumbers';
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

/** Where a key of a slider takes a value; null for any other key. Left and Right stay with the text that is typed. */
export function steppedBy(key: string, value: number, { step, max }: TallyPlotModel): number | null {
  const to = {
    ArrowUp: value + step,
    ArrowDown: value - step,
    PageUp: value + step * 5,
    PageDown: value - step * 5,
  }[key];
  return to === undefined ? null : Math.max(0, Math.min(max, to));
}

/**
 * One fewer, the number itself to be typed, one more. By keys it is one stop: the number, which the arrow keys step; beside a bar,
 * which takes the keys itself, it is none.
 */
export function ValueField({
  model,
  values,
  set,
  readOnly,
  index,
  besideBar = false,
}: PlotProps & { readonly index: number; readonly besideBar?: boolean }) {
  const t = useTranslations('interactions.tallyPlot');
  const value = values[index] ?? 0;
  const category = model.categories[index] ?? '';
  const numbers = useNumbers();
  const field = useDraft(numbers.show(String(value)), (text) => {
    const typed = Number(numbers.read(text));
    if (text.trim() !== '' && Number.isFinite(typed)) set(index, typed);
  });
  return (
    <span className={styles.field}>
      <Button
        look="quiet"
        aria-label={t('fewer', { category })}
        disabled={readOnly || value <= 0}
        tabIndex={-1}
        onClick={() => set(index, value - model.step)}
      >
        <Minus size="1.1em" aria-hidden="true" />
      </Button>
      <input
        className={styles.number}
        inputMode="decimal"
        aria-label={t('value', { category })}
        role={besideBar ? undefined : 'spinbutton'}
        aria-valuenow={besideBar ? undefined : value}
        aria-valuemin={besideBar ? undefined : 0}
        aria-valuemax={besideBar ? undefined : model.max}
        tabIndex={besideBar ? -1 : undefined}
        {...field}
        onKeyDown={(event) => {
          const to = steppedBy(event.key, value, model);
          if (to === null || event.altKey || event.ctrlKey) return field.onKeyDown(event);
          event.preventDefault();
          return set(index, to);
        }}
        readOnly={readOnly}
      />
      <Button
        look="quiet"
        aria-label={t('more', { category })}
        disabled={readOnly || value >= model.max}
        tabIndex={-1}
        onClick={() => set(index, value + model.step)}
      >
        <Plus size="1.1em" aria-hidden="true" />
      </Button>
    </span>
  );
}
