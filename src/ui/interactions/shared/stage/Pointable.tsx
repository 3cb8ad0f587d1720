'use client';

import { useState, type PointerEvent, type ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import type { PicturePoint } from '@/core/interactions/pointing';
import { saidWhere } from '@/core/interactions/said';
import { useSaid } from '../../useSaid';
import type { PlacedPoints } from '../usePoints';
import type { StageSize } from './Stage';
import { useDrag } from '../../../kit/useDrag';
import styles from './pointable.module.css';
import { Press } from '../../../kit/Button';

interface HandleProps {
  readonly point: PicturePoint;
  readonly size: StageSize;
  readonly label: string;
  readonly children: ReactNode;
  readonly onMove: (point: PicturePoint) => void;
  readonly onRemove: () => void;
  readonly readOnly: boolean;
}

/** Pixels one arrow key moves; with Shift ten times as far. */
const STEP = 1;

/** Something that sits on a point of the picture: dragged, moved by the arrow keys, taken away by Delete. */
function PointHandle({ point, size, label, children, onMove, onRemove, readOnly }: HandleProps) {
  const t = useTranslations('interactions.graphic');
  const { phrase } = useSaid();
  const [dragged, setDragged] = useState<PicturePoint | null>(null);
  const shown = dragged ?? point;
  const toPicture = (event: PointerEvent<HTMLElement>): PicturePoint | null => {
    const box = event.currentTarget.closest('[data-stage]')?.getBoundingClientRect();
    if (!box) return null;
    return {
      x: ((event.clientX - box.left) / box.width) * size.width,
      y: ((event.clientY - box.top) / box.height) * size.height,
    };
  };
  const bounded = ({ x, y }: PicturePoint): PicturePoint => ({
    x: Math.max(0, Math.min(size.width, x)),
    y: Math.max(0, Math.min(size.height, y)),
  });
  const { handlers } = useDrag({
    enabled: !readOnly,
    begin: (event) => {
      const at = toPicture(event);
      return at && { dx: at.x - point.x, dy: at.y - point.y };
    },
    move: (event, grip) => {
      const at = toPicture(event);
      if (at) setDragged(bounded({ x: at.x - grip.dx, y: at.y - grip.dy }));
    },
    end: () => {
      if (dragged) onMove(dragged);
      setDragged(null);
    },
    cancel: () => setDragged(null),
  });
  return (
    <Press
      className={styles.handle}
      style={{ left: `${(shown.x / size.width) * 100}%`, top: `${(shown.y / size.height) * 100}%` }}
      aria-label={t('at', { name: label, where: phrase(saidWhere(shown, size)) })}
      aria-roledescription={t('movable')}
      data-handle=""
      data-dragging={dragged ? true : undefined}
      {...handlers}
      onKeyDown={(event) => {
        const step = event.shiftKey ? STEP * 10 : STEP;
        const move = {
          ArrowLeft: [-step, 0],
          ArrowRight: [step, 0],
          ArrowUp: [0, -step],
          ArrowDown: [0, step],
        }[event.key];
        if (readOnly || event.altKey || event.ctrlKey) return;
        if (move) {
          event.preventDefault();
          onMove(bounded({ x: point.x + (move[0] ?? 0), y: point.y + (move[1] ?? 0) }));
        } else if (event.key === 'Delete' || event.key === 'Backspace') {
          event.preventDefault();
          onRemove();
        }
      }}
    >
      {children}
    </Press>
  );
}

interface PointsProps {
  readonly placed: PlacedPoints;
  readonly size: StageSize;
  readonly readOnly: boolean;
  readonly labelOf: (place: { index: number; total: number }) => string;
  readonly draw: (index: number) => ReactNode;
}

/** All points set on a picture, each with its handle. */
export function PointHandles({ placed, size, readOnly, labelOf, draw }: PointsProps) {
  const total = placed.points.length;
  return placed.points.map((point, i) => (
    <PointHandle
      key={i}
      point={point}
      size={size}
      readOnly={readOnly}
      label={labelOf({ index: i + 1, total })}
      onMove={(to) => placed.move(i, to, size)}
      onRemove={() => placed.remove(i)}
    >
      {draw(i)}
    </PointHandle>
  ));
}
