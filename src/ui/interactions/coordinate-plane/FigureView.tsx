'use client';

import type { Figure } from '@/core/interactions/coordinate-plane/figures';
import { runOut, shading, type PlaneGeometry } from './geometry';
import styles from './plane.module.css';

interface Props {
  readonly figure: Figure;
  readonly geometry: PlaneGeometry;
  readonly chosen?: boolean;
  readonly onPress?: () => void;
}

/** One figure as it is drawn; a wide invisible line under it takes the presses. */
export function FigureView({ figure, geometry, chosen, onPress }: Props) {
  const reach = geometry.width + geometry.height;
  const pixels = figure.points.map(geometry.toPixel);
  const [a, b] = pixels;
  const line = (() => {
    if (!a || !b) return null;
    if (figure.tool === 'segment') return [a, b] as const;
    if (figure.tool === 'ray') return runOut(a, b, false, reach);
    return figure.tool === 'line' || figure.tool === 'halfplane' ? runOut(a, b, true, reach) : null;
  })();
  return (
    <g
      className={styles.figure}
      data-chosen={chosen || undefined}
      data-pressable={onPress ? true : undefined}
      onClick={
        onPress &&
        ((event) => {
          event.stopPropagation();
          onPress();
        })
      }
    >
      {figure.tool === 'halfplane' && (
        <polygon
          className={styles.shade}
          points={shading(figure, geometry.toPixel, reach)
            .map(({ x, y }) => `${x},${y}`)
            .join(' ')}
        />
      )}
      {figure.tool === 'polygon' && (
        <polygon className={styles.area} points={pixels.map(({ x, y }) => `${x},${y}`).join(' ')} />
      )}
      {line && (
        <>
          <line className={styles.target} x1={line[0].x} y1={line[0].y} x2={line[1].x} y2={line[1].y} />
          <line
            className={styles.stroke}
            data-open={figure.tool === 'halfplane' && !figure.closed ? true : undefined}
            x1={line[0].x}
            y1={line[0].y}
            x2={line[1].x}
            y2={line[1].y}
          />
        </>
      )}
      {pixels.map(({ x, y }, i) => (
        <circle
          key={i}
          className={styles.corner}
          cx={x}
          cy={y}
          r={(figure.tool === 'point' ? 7 : 5) * geometry.scale}
        />
      ))}
    </g>
  );
}
