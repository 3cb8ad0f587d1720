'use client';

import { Minus, Plus, ZoomIn } from 'lucide-react';
import { useTranslations } from 'use-intl';
import { MAGNIFICATIONS, stepMagnification } from '@/core/view/layout';
import { usePlayer, useToolState } from '../../player/PlayerContext';
import styles from '../tools.module.css';
import type { ToolDefinition } from '../types';

/** The page from 100 to 400 %; the screen rearranges itself so that nothing runs off the edge. */
function MagnifierPanel() {
  const t = useTranslations('tools.magnifier');
  const { needs, announce } = usePlayer();
  const [{ factor }, keep] = useToolState('magnifier', { factor: needs.magnification });
  const set = (next: number) => {
    keep({ factor: next });
    announce(t('now', { percent: Math.round(next * 100) }));
  };
  const smallest = MAGNIFICATIONS[0];
  const largest = MAGNIFICATIONS[MAGNIFICATIONS.length - 1] ?? 4;
  return (
    <div>
      <p className={styles.text}>{t('hint')}</p>
      <div className={styles.panelRow}>
        <button
          type="button"
          className={styles.button}
          aria-label={t('smaller')}
          disabled={factor <= smallest}
          onClick={() => set(stepMagnification(factor, -1))}
        >
          <Minus size="1.15em" aria-hidden="true" />
        </button>
        <strong aria-live="polite">{t('percent', { percent: Math.round(factor * 100) })}</strong>
        <button
          type="button"
          className={styles.button}
          aria-label={t('larger')}
          disabled={factor >= largest}
          onClick={() => set(stepMagnification(factor, 1))}
        >
          <Plus size="1.15em" aria-hidden="true" />
        </button>
        <button type="button" className={styles.button} disabled={factor === 1} onClick={() => set(1)}>
          {t('reset')}
        </button>
      </div>
    </div>
  );
}

export const magnifier: ToolDefinition = {
  id: 'magnifier',
  Icon: ZoomIn,
  letter: 'Z',
  button: 'panel',
  Panel: MagnifierPanel,
};
