'use client';

import { Images, MoveHorizontal, MoveVertical } from 'lucide-react';
import { useState, type KeyboardEvent } from 'react';
import { createPortal } from 'react-dom';
import { useTranslations } from 'use-intl';
import { NEAR, nextTick, readingOf, snapped } from '@/core/tools/straight-edge';
import { useKept, useKeptAt } from '../../attempt/PlayerContext';
import { Press } from '../../kit/Button';
import { useDrag } from '../../kit/useDrag';
import type { SheetLayerProps } from '../types';
import { PLACE, STRAIGHT_EDGE } from './state';
import styles from './straightEdge.module.css';
import { useFigures, type Figure } from './useFigures';

/** Two lines over a figure of the question, for reading a graph across to its axes. */
export function StraightEdgeLayer({ sheet, textId, contentRef }: SheetLayerProps) {
  const [{ on }] = useKept('straight-edge', STRAIGHT_EDGE);
  const item = /^item:(.*)$/.exec(textId)?.[1];
  if (!on || sheet !== 'question' || item === undefined) return null;
  return <OnFigure itemRef={item} contentRef={contentRef} />;
}

function OnFigure({
  itemRef,
  contentRef,
}: { readonly itemRef: string } & Pick<SheetLayerProps, 'contentRef'>) {
  const t = useTranslations('tools.straight-edge');
  const measured = useFigures(contentRef);
  const [place, keep] = useKeptAt('straight-edge', itemRef, PLACE);
  if (!measured) return null;
  const { figures, inside } = measured;
  const figure = figures[Math.min(place.figure, figures.length - 1)];
  if (!figure)
    return (
      <p className={styles.none} data-no-text="" role="status">
        {t('none')}
      </p>
    );
  return createPortal(
    <Lines
      figure={figure}
      at={{ x: place.x * figure.width, y: place.y * figure.height }}
      onMove={({ x, y }) => keep({ x: x / figure.width, y: y / figure.height })}
      onNext={
        figures.length > 1
          ? () =>
              keep({
                figure: (Math.min(place.figure, figures.length - 1) + 1) % figures.length,
                x: 0.5,
                y: 0.5,
              })
          : null
      }
    />,
    inside,
  );
}

interface Point {
  readonly x: number;
  readonly y: number;
}
interface LinesProps {
  readonly figure: Figure;
  /** Where the lines cross, in pixels from the figure's corner. */
  readonly at: Point;
  readonly onMove: (at: Point) => void;
  /** To the next figure; null where there is one only. */
  readonly onNext: (() => void) | null;
}

/** A line of the two, and how far along its axis it lies. */
type Way = 'across' | 'up';
const KEYS: Readonly<Record<Way, Readonly<Record<string, 1 | -1>>>> = {
  across: { ArrowLeft: -1, ArrowRight: 1 },
  up: { ArrowUp: -1, ArrowDown: 1 },
};

function Lines({ figure, at, onMove, onNext }: LinesProps) {
  const t = useTranslations('tools.straight-edge');
  const [going, setGoing] = useState<Point | null>(null);
  const now = going ?? at;
  const { left, top, width, height, across, up } = figure;
  const said = (way: Way): string | null => {
    const reading = way === 'across' ? readingOf(now.x, across) : readingOf(now.y, up);
    return (
      reading &&
      t(way, { reading: t(`reading.${reading.kind}`, { words: '', before: '', after: '', ...reading }) })
    );
  };
  const all = [said('across'), said('up')].filter((one) => one !== null);
  const line = (way: Way) => (
    <Handle
      key={way}
      way={way}
      figure={figure}
      at={now}
      words={said(way) ?? t('noScale')}
      onGoing={setGoing}
      onMove={(to) => {
        setGoing(null);
        onMove(to);
      }}
    />
  );
  return (
    <div className={styles.layer} data-no-text="" data-straight-edge="" style={{ left, top, width, height }}>
      <div className={styles.vertical} style={{ left: now.x }} />
      <div className={styles.horizontal} style={{ top: now.y }} />
      <div
        className={styles.tag}
        // The words stand beside the crossing, where there is room.
        data-left={now.x > width / 2 || undefined}
        data-above={now.y > height / 2 || undefined}
        style={{ left: now.x, top: now.y }}
      >
        <span>{all.length === 0 ? t('noScale') : all.join(', ')}</span>
        {onNext && (
          <Press aria-label={t('next')} title={t('next')} onClick={onNext}>
            <Images size="1.15em" aria-hidden="true" />
          </Press>
        )}
      </div>
      {(['across', 'up'] as const).map(line)}
    </div>
  );
}

interface HandleProps {
  readonly way: Way;
  readonly figure: Figure;
  readonly at: Point;
  readonly words: string;
  /** While it is dragged; null when that is given up. */
  readonly onGoing: (to: Point | null) => void;
  readonly onMove: (to: Point) => void;
}

/** What a line is moved by: at the edge of the figure, so that nothing in it is covered. */
function Handle({ way, figure, at, words, onGoing, onMove }: HandleProps) {
  const t = useTranslations('tools.straight-edge');
  const { width, height } = figure;
  const ticks = figure[way];
  const [name, most] = way === 'across' ? (['x', width] as const) : (['y', height] as const);
  const to = (value: number): Point => ({ ...at, [name]: Math.max(0, Math.min(most, value)) });
  const dragged = (event: { clientX: number; clientY: number }, from: number) => {
    const scale = parseFloat(getComputedStyle(document.documentElement).fontSize) / 16;
    const by = way === 'across' ? event.clientX : event.clientY;
    return to(snapped(from + by, ticks, NEAR * scale));
  };
  const drag = useDrag<number>({
    enabled: true,
    begin: ({ clientX, clientY }) => at[name] - (way === 'across' ? clientX : clientY),
    move: (event, from) => onGoing(dragged(event, from)),
    end: (event, from, moved) => (moved ? onMove(dragged(event, from)) : onGoing(null)),
    cancel: () => onGoing(null),
  });
  const onKeyDown = (event: KeyboardEvent) => {
    const by = KEYS[way][event.key];
    if (by === undefined) return;
    event.preventDefault();
    // From mark to mark; with Shift, or where there are none, by a pixel.
    onMove(to((event.shiftKey ? null : nextTick(at[name], ticks, by)) ?? at[name] + by));
  };
  return (
    <div
      className={styles.handle}
      data-way={way}
      data-going={drag.dragging || undefined}
      style={way === 'across' ? { left: at.x } : { top: at.y }}
      role="slider"
      tabIndex={0}
      aria-label={t(`line.${way}`)}
      aria-orientation={way === 'across' ? 'horizontal' : 'vertical'}
      aria-valuemin={0}
      aria-valuemax={Math.round(most)}
      aria-valuenow={Math.round(at[name])}
      aria-valuetext={words}
      title={t('handleHint')}
      onKeyDown={onKeyDown}
      {...drag.handlers}
    >
      {way === 'across' ? (
        <MoveHorizontal size="1.25em" aria-hidden="true" />
      ) : (
        <MoveVertical size="1.25em" aria-hidden="true" />
      )}
    </div>
  );
}
