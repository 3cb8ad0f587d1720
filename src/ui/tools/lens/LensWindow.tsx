'use client';

import { Minus, Move, Plus } from 'lucide-react';
import type { KeyboardEvent } from 'react';
import { useTranslations } from 'use-intl';
import { ENLARGES, LENS_SIZES, onScreen, type Point } from '@/core/tools/lens';
import { useKept, usePlayer } from '../../attempt/PlayerContext';
import { arrowOf } from '../../kit/arrows';
import { Button } from '../../kit/Button';
import { useDrag } from '../../kit/useDrag';
import styles from './lens.module.css';
import { lookedAt, lookingAt, roomNow } from './point';
import { LENS } from './state';

/** A step of the arrow keys, in rem; with Shift a larger one. */
const STEP = { small: 1, large: 5 } as const;
/** Moves what the lens looks at, CSS pixels. */
const look = (from: Point, dx: number, dy: number): void =>
  lookedAt.set(onScreen({ x: from.x + dx, y: from.y + dy }, roomNow()));

/** How strong and how large the lens is, and whether it goes with the pointer. */
export function LensWindow() {
  const t = useTranslations('tools.lens');
  const { announce } = usePlayer();
  const [{ times, size, follows }, keep] = useKept('lens', LENS);
  const stronger = ENLARGES.find((one) => one > times);
  const weaker = [...ENLARGES].reverse().find((one) => one < times);
  const set = (next: number | undefined) => {
    if (next === undefined) return;
    keep({ times: next });
    announce(t('now', { times: next }));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const by = arrowOf(event, STEP);
    const room = roomNow();
    if (by) look(lookingAt(room), by[0] * room.rem, by[1] * room.rem);
  };
  const drag = useDrag({
    enabled: true,
    begin: ({ clientX, clientY }) => ({ x: clientX, y: clientY, at: lookingAt(roomNow()) }),
    move: ({ clientX, clientY }, from) => look(from.at, clientX - from.x, clientY - from.y),
  });
  return (
    <div className={styles.panel}>
      <div className={styles.row} role="group" aria-label={t('strength')}>
        <span>{t('strength')}</span>
        <Button
          small
          disabled={weaker === undefined}
          aria-label={t('weaker')}
          title={t('weaker')}
          onClick={() => set(weaker)}
        >
          <Minus size="1.15em" aria-hidden="true" />
        </Button>
        <strong>{t('times', { times })}</strong>
        <Button
          small
          disabled={stronger === undefined}
          aria-label={t('stronger')}
          title={t('stronger')}
          onClick={() => set(stronger)}
        >
          <Plus size="1.15em" aria-hidden="true" />
        </Button>
      </div>
      <div className={styles.row} role="group" aria-label={t('size')}>
        <span>{t('size')}</span>
        <Button
          small
          disabled={size === 0}
          aria-label={t('smaller')}
          title={t('smaller')}
          onClick={() => keep({ size: size - 1 })}
        >
          <Minus size="1.15em" aria-hidden="true" />
        </Button>
        <Button
          small
          disabled={size === LENS_SIZES.length - 1}
          aria-label={t('larger')}
          title={t('larger')}
          onClick={() => keep({ size: size + 1 })}
        >
          <Plus size="1.15em" aria-hidden="true" />
        </Button>
      </div>
      <Button small aria-pressed={follows} onClick={() => keep({ follows: !follows })}>
        {t('follows')}
      </Button>
      <Button
        small
        className={styles.handle}
        aria-label={t('moveHint')}
        title={t('moveHint')}
        onKeyDown={onKeyDown}
        {...drag.handlers}
      >
        <Move size="1.15em" aria-hidden="true" />
        {t('move')}
      </Button>
    </div>
  );
}
