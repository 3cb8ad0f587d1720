'use client';

import type { ReactNode } from 'react';
import { Axis } from './Axis';
import styles from './numberLine.module.css';
import type { Line } from './useLine';

interface Props {
  readonly line: Line;
  /** A press on the line, as a share of it. */
  readonly onPress: (at: number) => void;
  /** What is drawn on the line. */
  readonly marks?: ReactNode;
  /** The handles over it. */
  readonly children: ReactNode;
}

/** The line with its axis, what is drawn on it, and the handles. */
export function LineStage({ line, onPress, marks, children }: Props) {
  const { ref, geometry, ticks, pressing } = line;
  return (
    <div
      ref={ref}
      className={styles.line}
      dir="ltr"
      style={{ height: geometry.height }}
      role="group"
      aria-label={line.axisWords}
      data-line=""
      {...pressing(onPress)}
    >
      <svg className={styles.drawing} viewBox={`0 0 ${geometry.width} ${geometry.height}`} aria-hidden="true">
        <Axis ticks={ticks} geometry={geometry} />
        {marks}
      </svg>
      {children}
    </div>
  );
}
