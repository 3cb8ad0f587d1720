'use client';

import { useState, type PointerEvent, type ReactNode } from 'react';
import type { Picture } from '@/core/interactions/picture';
import { boxOf, type Hotspot } from '@/core/interactions/hotspots';
import type { PicturePoint } from '@/core/interactions/pointing';
import { Enlargeable } from '../../../kit/Enlargeable';
import styles from './stage.module.css';

export interface StageSize {
  readonly width: number;
  readonly height: number;
}
interface StageProps {
  readonly picture: Picture;
  readonly assetUrl: (path: string) => string;
  /** What lies over the picture, in its pixels: shapes for an SVG of that size. */
  readonly shapes?: (size: StageSize) => ReactNode;
  /** Buttons and pieces over the picture, placed in per cent of it. */
  readonly over?: (size: StageSize) => ReactNode;
  /** Controls before and after the picture, which need its size; they come along when it is enlarged. */
  readonly above?: (size: StageSize) => ReactNode;
  readonly below?: (size: StageSize) => ReactNode;
  /** A press on the picture itself, in its pixels. */
  readonly onPoint?: (point: PicturePoint, size: StageSize) => void;
  /** Places to press on it: it shrinks no further than the smallest can be hit with a finger, and scrolls sideways instead. */
  readonly places?: readonly Hotspot[];
  readonly name: string;
}

/** Takes presses on the picture itself, in its pixels. */
export function PressLayer({
  size,
  onPoint,
}: {
  readonly size: StageSize;
  readonly onPoint: (point: PicturePoint, size: StageSize) => void;
}) {
  const press = (event: PointerEvent<HTMLElement>) => {
    if (event.button !== 0) return;
    const box = event.currentTarget.getBoundingClientRect();
    onPoint(
      {
        x: ((event.clientX - box.left) / box.width) * size.width,
        y: ((event.clientY - box.top) / box.height) * size.height,
      },
      size,
    );
  };
  return <div className={styles.press} data-press="" onPointerUp={press} />;
}

const NO_PLACES: readonly Hotspot[] = [];
/** The least side of what a finger hits, in rem. */
const TARGET = 2.75;
/** How narrow the picture may get before its smallest place is too small; never wider than it is itself. */
function leastWidth(size: StageSize, places: readonly Hotspot[]): string | undefined {
  if (places.length === 0) return undefined;
  const sides = places.flatMap((one) => {
    const [left, top, right, bottom] = boxOf(one, size.width, size.height);
    return [right - left, bottom - top];
  });
  const smallest = Math.max(1, Math.min(...sides));
  return `min(${size.width / 16}rem, ${(TARGET * size.width) / smallest}rem)`;
}

/** A picture to work on, as wide as there is room and never wider than it is; everything over it scales with it. */
export function Stage({
  picture,
  assetUrl,
  shapes,
  over,
  above,
  below,
  onPoint,
  places = NO_PLACES,
  name,
}: StageProps) {
  const [natural, setNatural] = useState<StageSize | null>(null);
  const size: StageSize = {
    width: picture.width ?? natural?.width ?? 400,
    height: picture.height ?? natural?.height ?? 300,
  };
  return (
    <Enlargeable name={name} widest={`${size.width / 16}rem`}>
      {above?.(size)}
      <div className={places.length > 0 ? styles.scroll : undefined}>
        <div
          className={styles.stage}
          dir="ltr"
          style={{
            maxWidth: `${size.width / 16}rem`,
            minWidth: leastWidth(size, places),
            aspectRatio: `${size.width} / ${size.height}`,
          }}
          data-stage=""
        >
          <img
            className={styles.picture}
            src={assetUrl(picture.src)}
            alt={picture.alt}
            draggable={false}
            onLoad={(event) => {
              const { naturalWidth, naturalHeight } = event.currentTarget;
              if (naturalWidth > 0) setNatural({ width: naturalWidth, height: naturalHeight });
            }}
          />
          {onPoint && <PressLayer size={size} onPoint={onPoint} />}
          {shapes && (
            <svg
              className={styles.shapes}
              data-spots=""
              viewBox={`0 0 ${size.width} ${size.height}`}
              preserveAspectRatio="none"
              aria-hidden="true"
            >
              {shapes(size)}
            </svg>
          )}
          {over?.(size)}
        </div>
      </div>
      {below?.(size)}
    </Enlargeable>
  );
}
