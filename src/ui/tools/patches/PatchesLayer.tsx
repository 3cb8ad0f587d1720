'use client';

import { MoveDiagonal2, Move, Plus, X } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { useTranslations } from 'use-intl';
import type { Frame } from '@/core/view/frame';
import { useKept, usePlayer } from '../../attempt/PlayerContext';
import { Press } from '../../kit/Button';
import { useFocusBack } from '../../kit/useFocusBack';
import { useFrame, useRoom } from '../../kit/useFrame';
import shared from '../tools.module.css';
import styles from './patches.module.css';
import { MOST, PATCHES } from './state';

/** Its four buttons stay whole, in rem. */
const LEAST = { width: 11.5, height: 3 };
/** Where one lies that was never moved: over the middle of the page, each a step further. */
const firstFrame = (index: number): Frame => ({ x: 0.5, y: 0.5 + index * 0.08, width: 24, height: 8 });

/** Plain sheets over any parts of the page (work.md, E12): moved and resized by hand and by arrow keys, each taken away by itself. */
export function PatchesLayer() {
  const [{ on, frames }, keep] = useKept('patches', PATCHES);
  const { announce } = usePlayer();
  const t = useTranslations('tools.patches');
  // Switched on there is one to begin with.
  const shown = frames.length === 0 ? [firstFrame(0)] : frames;
  if (!on) return null;
  return shown.map((frame, i) => (
    <Patch
      key={i}
      number={i + 1}
      frame={frame}
      place={(to) => keep({ frames: shown.map((one, at) => (at === i ? to : one)) })}
      another={shown.length < MOST ? () => keep({ frames: [...shown, firstFrame(shown.length)] }) : undefined}
      away={() => {
        const rest = shown.filter((_one, at) => at !== i);
        keep(rest.length === 0 ? { on: false, frames: [] } : { frames: rest });
        announce(t('gone'));
      }}
    />
  ));
}

interface PatchProps {
  readonly number: number;
  readonly frame: Frame;
  readonly place: (frame: Frame) => void;
  /** Lays one more; undefined where there are as many as there may be. */
  readonly another: (() => void) | undefined;
  readonly away: () => void;
}

function Patch({ number, frame, place, another, away }: PatchProps) {
  const t = useTranslations('tools.patches');
  const rowRef = useRef<HTMLDivElement>(null);
  const gripRef = useRef<HTMLButtonElement>(null);
  const room = useRoom(rowRef);
  const { box, move, resize } = useFrame(frame, room, place, LEAST);
  useFocusBack();
  // Whoever laid it moves it next; one that is there when the page opens takes nothing.
  const isPlaced = box !== undefined;
  useEffect(() => {
    if (isPlaced && document.activeElement !== document.body) gripRef.current?.focus({ preventScroll: true });
  }, [isPlaced]);
  const hold = (event: { stopPropagation(): void }) => event.stopPropagation();
  return (
    <div
      className={styles.patch}
      style={{ ...box, visibility: box ? undefined : 'hidden' }}
      role="group"
      aria-label={t('patch', { number })}
      data-patch={number}
      {...move.handlers}
    >
      <div ref={rowRef} className={styles.row}>
        <Press
          ref={gripRef}
          className={shared.control}
          aria-label={t('move', { number })}
          title={t('move', { number })}
          onKeyDown={move.onKeyDown}
        >
          <Move size="1.15em" aria-hidden="true" />
        </Press>
        <Press
          className={shared.control}
          aria-label={t('another')}
          title={t('another')}
          disabled={!another}
          onPointerDown={hold}
          onClick={another}
        >
          <Plus size="1.2em" aria-hidden="true" />
        </Press>
        <Press
          className={shared.control}
          aria-label={t('away', { number })}
          title={t('away', { number })}
          onPointerDown={hold}
          onClick={away}
        >
          <X size="1.2em" aria-hidden="true" />
        </Press>
        <Press
          className={`${shared.control} ${styles.corner}`}
          aria-label={t('resize', { number })}
          title={t('resize', { number })}
          onKeyDown={resize.onKeyDown}
          {...resize.handlers}
          onPointerDown={(event) => {
            event.stopPropagation();
            resize.handlers.onPointerDown(event);
          }}
        >
          <MoveDiagonal2 size="1.1em" aria-hidden="true" />
        </Press>
      </div>
    </div>
  );
}
