'use client';

import { FlipVertical2, RotateCcw, RotateCw, Undo2 } from 'lucide-react';
import { useId, type ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import { angleOf } from '@/core/tools/measuring';
import { useKeptAt, usePlayer } from '../../attempt/PlayerContext';
import { Button } from '../../kit/Button';
import { useDraft } from '../../interactions/shared/useDraft';
import styles from './measuring.module.css';
import { LAID } from './state';

interface Props {
  readonly id: 'ruler' | 'protractor';
  readonly itemRef: string;
  readonly children?: ReactNode;
}

/** What cannot be done on the instrument itself, or not exactly: an angle by number, turning it over, and taking it back. */
export function InstrumentWindow({ id, itemRef, children }: Props) {
  const t = useTranslations('tools.measuring');
  const { announce } = usePlayer();
  const [laid, keep] = useKeptAt(id, itemRef, LAID);
  const field = useId();
  const turn = (angle: number) => {
    const next = angleOf(angle);
    keep({ angle: next, touched: true });
    announce(t('turned', { angle: next }));
  };
  const draft = useDraft(String(laid.angle), (text) => {
    const angle = Number(text.replace(',', '.'));
    if (text.trim() !== '' && Number.isFinite(angle)) turn(angle);
    else announce(t('noAngle'));
  });
  return (
    <div className={styles.window}>
      {children}
      <div className={styles.row}>
        <label htmlFor={field}>{t('angle')}</label>
        <input id={field} className={styles.angle} inputMode="decimal" {...draft} />
        <Button small onClick={() => turn(laid.angle + 1)} aria-label={t('left')} title={t('left')}>
          <RotateCcw size="1.1em" aria-hidden="true" /> 1°
        </Button>
        <Button small onClick={() => turn(laid.angle - 1)} aria-label={t('right')} title={t('right')}>
          <RotateCw size="1.1em" aria-hidden="true" /> 1°
        </Button>
      </div>
      <div className={styles.row}>
        <Button
          small
          aria-pressed={laid.flipped}
          onClick={() => {
            keep({ flipped: !laid.flipped, touched: true });
            announce(t('flipped'));
          }}
        >
          <FlipVertical2 size="1.1em" aria-hidden="true" />
          {t('flip')}
        </Button>
        <Button
          small
          onClick={() => {
            keep({ touched: false, angle: 0, flipped: false });
            announce(t('backDone'));
          }}
        >
          <Undo2 size="1.1em" aria-hidden="true" />
          {t('back')}
        </Button>
      </div>
      <p className={styles.hint}>{t('hint')}</p>
    </div>
  );
}
