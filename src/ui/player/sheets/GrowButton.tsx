'use client';

import { Columns2, Maximize2 } from 'lucide-react';
import { useTranslations } from 'use-intl';
import { usePlayer, useToolState } from '../PlayerContext';
import styles from './sheets.module.css';

export interface SheetsState {
  /** The passage's part of the width or height, in per cent. */
  readonly share: number;
  /** The one sheet shown alone, if any. */
  readonly alone: 'passage' | 'question' | null;
}
export const SHEETS: SheetsState = { share: 50, alone: null };

/** Lets a sheet grow to the full width, and back. */
export function GrowButton({ sheet }: { sheet: 'passage' | 'question' }) {
  const t = useTranslations('passage');
  const { layout } = usePlayer();
  const [{ alone }, keep] = useToolState<SheetsState>('sheets', SHEETS);
  if (layout === 'narrow') return null;
  const grown = alone === sheet;
  return (
    <button
      type="button"
      className={styles.quiet}
      onClick={() => keep({ alone: grown ? null : sheet })}
      title={grown ? t('beside') : t(`grow.${sheet}`)}
      aria-label={grown ? t('beside') : t(`grow.${sheet}`)}
    >
      {grown ? <Columns2 size="1.15em" aria-hidden="true" /> : <Maximize2 size="1.15em" aria-hidden="true" />}
    </button>
  );
}
