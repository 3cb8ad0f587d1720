'use client';

import { useRef, useState, type PointerEvent } from 'react';
import { useTranslations } from 'use-intl';
import type { PicturePoint } from '@/core/interactions/pointing';
import type { StageSize } from '../shared/stage/Stage';
import { useDrag } from '../../kit/useDrag';
import styles from './positionObject.module.css';
import { Press } from '../../kit/Button';

interface Props {
  readonly src: string;
  readonly alt: string;
  readonly width: number;
  readonly height: number;
  readonly size: StageSize;
  /** Whether a press on the picture puts this one down, where there are several. */
  readonly active: boolean;
  readonly onPut: (point: PicturePoint) => void;
}

/** The object to put down: dragged onto the stage, or pressed, which puts it into the middle. */
export function ObjectSource({ src, alt, width, height, size, active, onPut }: Props) {
  const t = useTranslations('interactions.graphic');
  const draggedRef = useRef(false);
  const [carried, setCarried] = useState<{ x: number; y: number } | null>(null);
  const drop = (event: PointerEvent<HTMLElement>) => {
    const frame = event.currentTarget.closest('[data-frame]');
    const box = frame?.querySelector('[data-stage]')?.getBoundingClientRect();
    if (!box) return;
    const [x, y] = [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height];
    if (x >= 0 && x <= 1 && y >= 0 && y <= 1) onPut({ x: x * size.width, y: y * size.height });
  };
  const { handlers } = useDrag({
    enabled: true,
    begin: () => {
      draggedRef.current = false;
      return true;
    },
    move: (event) => {
      draggedRef.current = true;
      setCarried({ x: event.clientX, y: event.clientY });
    },
    end: (event, _start, moved) => {
      setCarried(null);
      if (moved) drop(event);
    },
    cancel: () => setCarried(null),
    slack: 3,
  });
  return (
    <>
      <Press
        className={styles.source}
        data-object=""
        data-active={active || undefined}
        onClick={() => {
          // A drag that ended on the stage has put the object down already.
          if (!draggedRef.current) onPut({ x: size.width / 2, y: size.height / 2 });
          draggedRef.current = false;
        }}
        {...handlers}
      >
        <img src={src} alt={alt} width={width} height={height} draggable={false} />
        {t('putDown')}
      </Press>
      {carried && (
        <img
          className={styles.carried}
          src={src}
          alt=""
          width={width}
          height={height}
          style={{ left: carried.x, top: carried.y }}
        />
      )}
    </>
  );
}
