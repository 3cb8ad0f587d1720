'use client';

import { useMemo, useRef, type MouseEvent, type PointerEvent } from 'react';
import { useTranslations } from 'use-intl';
import { exactOf } from '@/core/interactions/quantity';
import { nearestTick, scaleOf, stepFrom, ticksOf, type Scale } from '@/core/interactions/number-line/ticks';
import * as q from '@/core/math/rational';
import type { Rational } from '@/core/math/rational';
import { isSecondOfTwo } from '../../kit/secondOfTwo';
import { useWidth } from '../../kit/useWidth';
import { geometryOf } from './Axis';
import { useLineValues } from './useLineValues';

/** The line at the size there is room for, and the ways between pixels, shares and exact values. */
export function useLine(scale: Scale) {
  const [ref, measured] = useWidth<HTMLDivElement>(600);
  const pressed = useRef<{ x: number; y: number } | null>(null);
  const ticks = useMemo(() => ticksOf(scale), [scale]);
  const ends = useMemo(() => scaleOf(scale), [scale]);
  const geometry = geometryOf(measured);
  const t = useTranslations('interactions.numberLine');
  const { words } = useLineValues(scale);
  const step = exactOf(scale.step) ?? q.ONE;
  const length = q.toNumber(q.subtract(ends.max, ends.min));
  return {
    ref,
    /** What can be seen of the axis, for whoever can't. */
    axisWords: t('axis', {
      min: words(ends.min),
      max: words(ends.max),
      tick: words(ends.tick),
      step: words(step),
      labels: scale.labels,
    }),
    ticks,
    ends,
    geometry,
    atOf: (value: Rational): number => q.toNumber(q.subtract(value, ends.min)) / length,
    tickAt: (at: number): Rational => nearestTick(ticks, at)?.value ?? ends.min,
    step: (value: Rational, direction: 1 | -1): Rational => stepFrom(ticks, value, direction),
    /** Listeners for a press on the line itself: not a drag across it, and a double click is one press. */
    pressing: (press: (at: number) => void) => ({
      onPointerDown: (event: PointerEvent<HTMLElement>) => {
        pressed.current = { x: event.clientX, y: event.clientY };
      },
      onClick: (event: MouseEvent<HTMLElement>) => {
        const from = pressed.current;
        pressed.current = null;
        const box = event.currentTarget.getBoundingClientRect();
        if (!from || isSecondOfTwo(event)) return;
        if (Math.hypot(event.clientX - from.x, event.clientY - from.y) > 8) return;
        press(geometry.toAt(((event.clientX - box.left) / box.width) * geometry.width));
      },
    }),
  };
}
export type Line = ReturnType<typeof useLine>;
