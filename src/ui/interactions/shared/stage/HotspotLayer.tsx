'use client';

import type { ReactNode } from 'react';
import { boxOf, type Hotspot } from '@/core/interactions/hotspots';
import type { StageSize } from './Stage';
import styles from './stage.module.css';
import { Press } from '../../../kit/Button';

/** The outline of a hotspot in pixels of the picture. */
function Outline({ spot, size, className }: { spot: Hotspot; size: StageSize; className?: string }) {
  const [a = 0, b = 0, c = 0, d = 0] = spot.coords;
  switch (spot.shape) {
    case 'circle':
      return <circle className={className} cx={a} cy={b} r={c} />;
    case 'ellipse':
      return <ellipse className={className} cx={a} cy={b} rx={c} ry={d} />;
    case 'poly':
      return <polygon className={className} points={spot.coords.join(' ')} />;
    default: {
      const [left, top, right, bottom] = boxOf(spot, size.width, size.height);
      return (
        <rect className={className} x={left} y={top} width={right - left} height={bottom - top} rx="3" />
      );
    }
  }
}

interface ShapesProps {
  readonly hotspots: readonly Hotspot[];
  readonly size: StageSize;
  readonly on: (identifier: string) => boolean;
  /** Picked up, or waiting for a partner. */
  readonly here?: (identifier: string) => boolean;
}

/** The outlines of all hotspots: dashed when free, filled when chosen; a light edge keeps them visible on any picture. */
export function HotspotShapes({ hotspots, size, on, here }: ShapesProps) {
  return hotspots.map((spot) => (
    <g
      key={spot.identifier}
      className={styles.group}
      data-on={on(spot.identifier) || undefined}
      data-here={here?.(spot.identifier) || undefined}
    >
      <Outline spot={spot} size={size} className={styles.halo} />
      <Outline spot={spot} size={size} className={styles.shape} />
    </g>
  ));
}

/** Where a hotspot lies, in per cent of the picture. */
export function placeOf(spot: Hotspot, size: StageSize) {
  const [left, top, right, bottom] = boxOf(spot, size.width, size.height);
  const share = (value: number, of: number) => `${(value / of) * 100}%`;
  return {
    left: share(left, size.width),
    top: share(top, size.height),
    width: share(right - left, size.width),
    height: share(bottom - top, size.height),
  };
}

/** The middle of a hotspot in pixels of the picture. */
export function middleOf(spot: Hotspot, size: StageSize): { x: number; y: number } {
  const [left, top, right, bottom] = boxOf(spot, size.width, size.height);
  return { x: (left + right) / 2, y: (top + bottom) / 2 };
}

/** The area inside a shape as a clip path of its box, so that a press beside a circle or polygon misses it. */
function clipOf(spot: Hotspot, size: StageSize): string | undefined {
  if (spot.shape === 'circle' || spot.shape === 'ellipse') return 'ellipse(50% 50%)';
  if (spot.shape !== 'poly') return undefined;
  const [left, top, right, bottom] = boxOf(spot, size.width, size.height);
  const points: string[] = [];
  for (let i = 0; i + 1 < spot.coords.length; i += 2) {
    const [x = 0, y = 0] = [spot.coords[i], spot.coords[i + 1]];
    points.push(`${((x - left) / (right - left)) * 100}% ${((y - top) / (bottom - top)) * 100}%`);
  }
  return `polygon(${points.join(', ')})`;
}

interface SpotProps {
  readonly spot: Hotspot;
  readonly size: StageSize;
  readonly label: string;
  readonly pressed: boolean;
  readonly onPress: () => void;
  readonly disabled?: boolean;
  readonly children?: ReactNode;
}

/** A hotspot as a button with a name; the press counts inside its shape only. */
export function Spot({ spot, size, label, pressed, onPress, disabled, children }: SpotProps) {
  return (
    <Press
      className={styles.spot}
      style={placeOf(spot, size)}
      aria-pressed={pressed}
      aria-label={label}
      disabled={disabled}
      data-spot={spot.identifier}
      onClick={onPress}
    >
      <span aria-hidden="true" className={styles.area} style={{ clipPath: clipOf(spot, size) }} />
      {children}
    </Press>
  );
}

/** A small number or letter in a hotspot. */
export const Badge = ({ children }: { children: ReactNode }) => (
  <span className={styles.badge} aria-hidden="true">
    {children}
  </span>
);
