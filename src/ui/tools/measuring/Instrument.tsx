'use client';

import { Move, RotateCw, Settings2 } from 'lucide-react';
import { useState, type CSSProperties, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import { createPortal } from 'react-dom';
import { useTranslations } from 'use-intl';
import { angleOf, angleTo, laidIn, type Laid } from '@/core/tools/measuring';
import { usePlayer } from '../../attempt/PlayerContext';
import { arrowOf } from '../../kit/arrows';
import { Press } from '../../kit/Button';
import { useDrag } from '../../kit/useDrag';
import { useWindows } from '../useWindows';
import styles from './measuring.module.css';
import type { Measured } from './useMeasured';

interface Props {
  /** What the tool is called in messages. */
  readonly id: 'ruler' | 'protractor';
  readonly measured: Measured;
  readonly laid: Laid;
  readonly onLay: (laid: Laid) => void;
  /** A step of the arrow keys, in pixels at 100 %. */
  readonly step: number;
  /** Where it is turned by hand, from its zero in pixels at 100 %. */
  readonly turnAt: { readonly x: number; readonly y: number };
  readonly moveAt: { readonly x: number; readonly y: number };
  /** Where its settings are opened. */
  readonly settingsAt: { readonly x: number; readonly y: number };
  /** The drawing; zero at 0,0, the level edge to the right. */
  readonly children: ReactNode;
}

/** Degrees a key turns by; with Shift. */
const TURN = { small: 1, large: 15 } as const;
/** Steps a key moves by with Shift. */
const LARGE_STEP = 10;

/** A ruler or a protractor on the question: moved by its body, turned at its handle, both by keys too. It turns around its zero. */
export function Instrument({ id, measured, laid, onLay, step, turnAt, moveAt, settingsAt, children }: Props) {
  const t = useTranslations('tools.measuring');
  const tools = useTranslations('tools');
  const { announce } = usePlayer();
  const windows = useWindows();
  const [going, setGoing] = useState<Laid | null>(null);
  const { scale, room } = measured;
  const now = going ?? laid;
  const keep = (next: Laid): Laid => {
    const inside = laidIn({ ...next, x: next.x - room.left, y: next.y - room.top }, room);
    return { ...inside, x: inside.x + room.left, y: inside.y + room.top };
  };
  const end = () => {
    if (going) onLay(going);
    setGoing(null);
  };
  const move = useDrag<{ laid: Laid; x: number; y: number }, Element>({
    enabled: true,
    begin: ({ clientX: x, clientY: y }) => ({ laid: now, x, y }),
    move: ({ clientX, clientY }, from) =>
      setGoing(
        keep({
          ...from.laid,
          x: from.laid.x + (clientX - from.x) / scale,
          y: from.laid.y + (clientY - from.y) / scale,
        }),
      ),
    end,
    cancel: () => setGoing(null),
  });
  /** Where its zero is on the screen. */
  const zero = () => {
    const origin = measured.inside.getBoundingClientRect();
    return {
      x: origin.left - measured.inside.scrollLeft + measured.left + now.x * scale,
      y: origin.top - measured.inside.scrollTop + measured.top + now.y * scale,
    };
  };
  const pointAngle = ({ clientX: x, clientY: y }: PointerEvent<Element>) => angleTo(zero(), { x, y });
  const turn = useDrag<{ angle: number; at: number }, Element>({
    enabled: true,
    begin: (event) => ({ angle: now.angle, at: pointAngle(event) }),
    move: (event, from) =>
      setGoing(keep({ ...now, angle: Math.round(from.angle + pointAngle(event) - from.at) })),
    end: () => {
      if (going) announce(t('turned', { angle: going.angle }));
      end();
    },
    cancel: () => setGoing(null),
  });
  const onMoveKey = (event: KeyboardEvent) => {
    const by = arrowOf(event, { small: step, large: step * LARGE_STEP });
    if (by) onLay(keep({ ...now, x: now.x + by[0], y: now.y + by[1] }));
  };
  const onTurnKey = (event: KeyboardEvent) => {
    const by = arrowOf(event, TURN);
    if (!by) return;
    // Right and down turn clockwise, as the hands of a clock do.
    const angle = angleOf(now.angle - by[0] - by[1]);
    onLay(keep({ ...now, angle }));
    announce(t('turned', { angle }));
  };
  const name = tools(`${id}.name`);
  const side = now.flipped ? -1 : 1;
  const place = ({ x, y }: { x: number; y: number }): CSSProperties => ({
    left: x * scale,
    top: y * scale * side,
  });
  return createPortal(
    <div className={styles.layer} data-no-text="" data-instrument={id}>
      <div
        className={styles.instrument}
        role="group"
        aria-label={t('label', { name, angle: now.angle })}
        style={{
          left: measured.left + now.x * scale,
          top: measured.top + now.y * scale,
          transform: `rotate(${-now.angle}deg)`,
        }}
      >
        <svg
          className={styles.drawing}
          style={{ transform: `scale(${scale})` }}
          width="1"
          height="1"
          overflow="visible"
          aria-hidden="true"
        >
          <g className={styles.body} data-going={move.dragging || undefined} {...move.handlers}>
            {children}
          </g>
        </svg>
        <Press
          className={styles.handle}
          style={place(moveAt)}
          aria-label={t('move', { name })}
          title={t('moveHint')}
          onKeyDown={onMoveKey}
          {...move.handlers}
        >
          <Move size="1.15em" aria-hidden="true" />
        </Press>
        <Press
          className={styles.handle}
          style={place(settingsAt)}
          data-settings=""
          aria-expanded={windows.open.includes(id)}
          aria-label={t('settings', { name })}
          title={t('settings', { name })}
          onClick={() => windows.toggle(id)}
        >
          <Settings2 size="1.15em" aria-hidden="true" />
        </Press>
        <Press
          className={styles.handle}
          style={place(turnAt)}
          data-turn=""
          aria-label={t('turn', { name })}
          title={t('turnHint')}
          onKeyDown={onTurnKey}
          {...turn.handlers}
        >
          <RotateCw size="1.15em" aria-hidden="true" />
        </Press>
      </div>
    </div>,
    measured.inside,
  );
}
