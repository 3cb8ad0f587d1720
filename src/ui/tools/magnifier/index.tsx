'use client';

import { Minus, Plus, ZoomIn } from 'lucide-react';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { MAGNIFICATIONS, stepMagnification } from '@/core/view/layout';
import { useKept, usePlayer } from '../../attempt/PlayerContext';
import styles from '../tools.module.css';
import { defineTool, type ToolState } from '../types';
import { Button } from '../../kit/Button';

const STATE: ToolState<{ factor: number }> = {
  schema: z.object({ factor: z.number().check(z.minimum(1), z.maximum(4)) }),
  initial: (needs) => ({ factor: needs.magnification }),
  scope: 'test',
};

/** The page from 100 to 400 %; the screen rearranges itself so that nothing runs off the edge. */
function MagnifierPanel() {
  const t = useTranslations('tools.magnifier');
  const { announce } = usePlayer();
  const [{ factor }, keep] = useKept('magnifier', STATE);
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
        <Button
          aria-label={t('smaller')}
          disabled={factor <= smallest}
          onClick={() => set(stepMagnification(factor, -1))}
        >
          <Minus size="1.15em" aria-hidden="true" />
        </Button>
        <strong>{t('percent', { percent: Math.round(factor * 100) })}</strong>
        <Button
          aria-label={t('larger')}
          disabled={factor >= largest}
          onClick={() => set(stepMagnification(factor, 1))}
        >
          <Plus size="1.15em" aria-hidden="true" />
        </Button>
        <Button disabled={factor === 1} onClick={() => set(1)}>
          {t('reset')}
        </Button>
      </div>
    </div>
  );
}

export const magnifier = defineTool({
  id: 'magnifier',
  Icon: ZoomIn,
  letter: 'Z',
  button: 'panel',
  group: 'looking',
  access: 'everyone',
  inMyView: true,
  often: true,
  Panel: MagnifierPanel,
  state: STATE,
  pageLook: ({ factor }) => ({ magnification: factor }),
});
