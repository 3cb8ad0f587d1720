'use client';

import { useState, type PointerEvent, type ReactNode } from 'react';
import type { Picture } from '@/core/interactions/picture';
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

/** A picture to work on, as wide as there is room and never wider than it is; everything over it scales with it. */
export function Stage({ picture, assetUrl, shapes, over, above, below, onPoint, name }: StageProps) {
  const [natural, setNatural] = useState<StageSize | null>(null);
  const size: StageSize = {
    width: picture.width ?? natural?.width ?? 400,
    height: picture.height ?? natural?.height ?? 300,
  };
  return (
    <Enlargeable name={name} widest={`${size.width / 16}rem`}>
      {above?.(size)}
      <div
        className={styles.stage}
        style={{ maxWidth: `${size.width / 16}rem`, aspectRatio: `${size.width} / ${size.height}` }}
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
      {below?.(size)}
    </Enlargeable>
  );
}
