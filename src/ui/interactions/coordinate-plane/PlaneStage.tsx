'use client';

import { useId, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useTranslations } from 'use-intl';
import { snapPoint, type CoordinatePlaneModel } from '@/core/interactions/coordinate-plane';
import { samePlace, written, type PlanePoint } from '@/core/interactions/coordinate-plane/figures';
import { useWidth } from '../../kit/useWidth';
import { FigureView } from './FigureView';
import { planeGeometry, type Pixel } from './geometry';
import { useDrag } from '../../kit/useDrag';
import styles from './plane.module.css';
import { PlaneGrid } from './PlaneGrid';
import type { Plane } from './usePlane';
import { Press } from '../../kit/Button';

interface Props {
  readonly model: CoordinatePlaneModel;
  readonly plane: Plane;
  readonly readOnly: boolean;
  readonly announce: (words: string) => void;
}

/** The grid itself: a press sets a handle, a handle is dragged or stepped, a cross is moved by the arrow keys. */
export function PlaneStage({ model, plane, readOnly, announce }: Props) {
  const t = useTranslations('interactions.plane');
  const clip = useId();
  const [ref, measured] = useWidth<HTMLDivElement>(520);
  // Enlarged it fills the screen; in its place the way on stays in sight.
  const large = measured.width > 760 * measured.scale;
  const geometry = planeGeometry(
    model,
    measured,
    Math.max(400 * measured.scale, window.innerHeight - (large ? 230 : 330)),
  );
  const stageRef = useRef<HTMLDivElement>(null);
  const [cross, setCross] = useState<PlanePoint | null>(null);
  const [under, setUnder] = useState<PlanePoint | null>(null);
  const [drag, setDrag] = useState<{ figure: number; handle: number; at: PlanePoint } | null>(null);

  const pixelOf = (event: PointerEvent): Pixel => {
    const box = stageRef.current?.getBoundingClientRect();
    return { x: event.clientX - (box?.left ?? 0), y: event.clientY - (box?.top ?? 0) };
  };
  const step = {
    x: model.snap.x > 0 ? model.snap.x : model.x.step / 10,
    y: model.snap.y > 0 ? model.snap.y : model.y.step / 10,
  };
  const arrowOf = (event: KeyboardEvent): PlanePoint | null => {
    const far = event.shiftKey ? 5 : 1;
    const move = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    return move && !event.altKey && !event.ctrlKey
      ? { x: (move[0] ?? 0) * step.x * far, y: (move[1] ?? 0) * step.y * far }
      : null;
  };
  const keys = (event: KeyboardEvent) => {
    if (readOnly || event.target !== event.currentTarget) return;
    const arrow = arrowOf(event);
    const from =
      cross ?? snapPoint(model, { x: (model.x.min + model.x.max) / 2, y: (model.y.min + model.y.max) / 2 });
    if (arrow) {
      event.preventDefault();
      const to = snapPoint(model, { x: from.x + arrow.x, y: from.y + arrow.y });
      setCross(to);
      announce(plane.words.point(to));
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      setCross(from);
      plane.set(from);
    } else if (event.key === 'Escape' && plane.pending.length > 0) {
      event.preventDefault();
      event.stopPropagation();
      plane.giveUp();
    }
  };
  const { handlers } = useDrag({
    enabled: !readOnly,
    begin: (event) => {
      event.stopPropagation();
      const [figure = 0, handle = 0] = (event.currentTarget.dataset.handle ?? '').split('-').map(Number);
      const at = plane.figures[figure]?.points[handle];
      if (!at || plane.tool === 'eraser') return null;
      setDrag({ figure, handle, at });
      return { figure, handle, at };
    },
    move: (event, { figure, handle }) =>
      setDrag({ figure, handle, at: snapPoint(model, geometry.toPlane(pixelOf(event))) }),
    end: (_event, { figure, handle, at: before }) => {
      const at = drag?.at ?? before;
      // A press without a drag starts the next figure at the same place.
      if (samePlace(at, before)) plane.set(before);
      else plane.moveHandle(figure, handle, at);
      setDrag(null);
    },
    cancel: () => setDrag(null),
  });
  const shown = plane.figures.map((figure, i) =>
    drag?.figure === i
      ? { ...figure, points: figure.points.map((point, h) => (h === drag.handle ? drag.at : point)) }
      : figure,
  );
  const here = drag?.at ?? under ?? cross;
  const mark = (point: PlanePoint) => geometry.toPixel(point);
  return (
    <div ref={ref} className={styles.room}>
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- an application of its own: its keys stand in its label */}
      <div
        ref={stageRef}
        className={styles.stage}
        dir="ltr"
        style={{ width: geometry.width, height: geometry.height }}
        role="application"
        aria-roledescription={t('plane')}
        aria-label={t('label', {
          count: plane.figures.length,
          x: model.x.label,
          xMin: written(model.x.min),
          xMax: written(model.x.max),
          xStep: written(model.x.step),
          y: model.y.label,
          yMin: written(model.y.min),
          yMax: written(model.y.max),
          yStep: written(model.y.step),
        })}
        // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- the grid is worked with the arrow keys
        tabIndex={0}
        data-plane=""
        data-drawing={plane.isDrawing || undefined}
        onKeyDown={keys}
        onPointerMove={(event) => setUnder(snapPoint(model, geometry.toPlane(pixelOf(event))))}
        onPointerLeave={() => setUnder(null)}
        onClick={(event) => {
          const pixel = pixelOf(event as unknown as PointerEvent);
          plane.set(
            plane.pending.length === 2 && plane.tool === 'halfplane'
              ? geometry.toPlane(pixel)
              : snapPoint(model, geometry.toPlane(pixel)),
          );
        }}
      >
        <svg
          className={styles.drawing}
          viewBox={`0 0 ${geometry.width} ${geometry.height}`}
          aria-hidden="true"
        >
          <PlaneGrid model={model} geometry={geometry} />
          <clipPath id={clip}>
            <rect
              x={geometry.left - 9}
              y={geometry.top - 9}
              width={geometry.innerWidth + 18}
              height={geometry.innerHeight + 18}
            />
          </clipPath>
          <g clipPath={`url(#${clip})`}>
            {shown.map((figure, i) => (
              <FigureView
                key={i}
                figure={figure}
                geometry={geometry}
                onPress={plane.tool === 'eraser' ? () => plane.erase(i) : undefined}
              />
            ))}
            {plane.pending.length > 1 && (
              <polyline
                className={styles.pendingLine}
                points={plane.pending.map((point) => `${mark(point).x},${mark(point).y}`).join(' ')}
              />
            )}
            {plane.pending.map((point, i) => (
              <circle
                key={i}
                className={styles.pending}
                cx={mark(point).x}
                cy={mark(point).y}
                r={7 * geometry.scale}
              />
            ))}
          </g>
          {cross && (
            <path
              className={styles.cross}
              d={`M${mark(cross).x - 14} ${mark(cross).y}h28M${mark(cross).x} ${mark(cross).y - 14}v28`}
            />
          )}
        </svg>
        {shown.flatMap((figure, i) =>
          figure.points.map((point, h) => (
            <Press
              key={`${i}-${h}`}
              className={styles.handle}
              style={{ left: mark(point).x, top: mark(point).y }}
              aria-label={t('handle', {
                figure: i + 1,
                kind: t(`tool.${figure.tool}`),
                handle: h + 1,
                point: plane.words.point(point),
              })}
              data-handle={`${i}-${h}`}
              data-quiet={plane.isDrawing && plane.pending.length > 0 ? true : undefined}
              onClick={(event) => {
                event.stopPropagation();
                if (plane.tool === 'eraser') plane.erase(i);
              }}
              {...handlers}
              onKeyDown={(event) => {
                const arrow = arrowOf(event);
                if (arrow) {
                  event.preventDefault();
                  plane.moveHandle(i, h, { x: point.x + arrow.x, y: point.y + arrow.y });
                } else if (event.key === 'Delete' || event.key === 'Backspace') {
                  event.preventDefault();
                  plane.erase(i);
                }
              }}
            />
          )),
        )}
        {here && <span className={styles.where}>{plane.words.point(here)}</span>}
      </div>
    </div>
  );
}
