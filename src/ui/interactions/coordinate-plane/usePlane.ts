'use client';

import { useState } from 'react';
import { useTranslations } from 'use-intl';
import {
  begin,
  begunOf,
  draw,
  figuresOf,
  redraw,
  snapPoint,
  type CoordinatePlaneModel,
  type DrawMove,
} from '@/core/interactions/coordinate-plane';
import {
  HANDLES,
  insideOf,
  isBegun,
  isFigure,
  MAX_CORNERS,
  moveHandle,
  otherSide,
  samePlace,
  sideOfLine,
  type Figure,
  type PlanePoint,
  type PlaneTool,
} from '@/core/interactions/coordinate-plane/figures';
import { forCardinality } from '@/core/content/response';
import { useNotice } from '../shared/useNotice';
import type { InteractionProps } from '../types';
import { useFigureWords } from './useFigureWords';

export type Tool = PlaneTool | 'move' | 'eraser';

const NONE: readonly PlanePoint[] = [];

/**
 * The moves of the plane: setting handles with a tool until a figure stands, moving any handle afterwards, erasing. Mouse,
 * touch, keyboard and typing go through these; each says what it did. What is being drawn is part of the answer: it is there
 * again after a reload or an undo, and then its tool is in hand.
 */
export function usePlane({
  model,
  response,
  shape,
  onAnswer,
  announce,
  readOnly,
}: InteractionProps<CoordinatePlaneModel>) {
  const t = useTranslations('interactions.plane');
  const words = useFigureWords();
  const [chosen, setChosen] = useState<Tool>(model.tools[0] ?? 'point');
  const { notice, refuse, clear } = useNotice({ response, announce });
  const figures = figuresOf(response);
  const begun = begunOf(response);
  const pending = begun?.points ?? NONE;
  const aside = chosen === 'move' || chosen === 'eraser';
  const tool = begun && !aside ? begun.tool : chosen;
  const isDrawing = !aside;

  const settle = (move: DrawMove, said: string) => {
    if (move.kind === 'full') refuse(t('full', { maximum: move.maximum }));
    else if (move.kind === 'changed') {
      clear();
      onAnswer(forCardinality(move.response, shape.cardinality));
      announce(said);
    } else refuse(t('samePlace'));
  };
  const finish = (figure: Figure) => settle(draw(model, response, figure), words.figure(figure));

  /** Sets the next handle of the figure being drawn. */
  const set = (at: PlanePoint) => {
    if (readOnly || tool === 'move' || tool === 'eraser') return;
    const point = snapPoint(model, at);
    const [a, b] = pending;
    if (tool === 'halfplane' && a && b) {
      // The third press says which side.
      const side = Math.sign(sideOfLine(at, a, b));
      if (side === 0) return announce(t('sideHint'));
      return finish({ tool, points: [a, b], inside: insideOf(a, b, side), closed: true });
    }
    if (tool === 'polygon' && pending.length >= HANDLES.polygon && a && samePlace(a, point))
      return finish({ tool, points: pending });
    if (pending.some((other) => samePlace(other, point))) return announce(t('samePlace'));
    const points = [...pending, point];
    const whole = tool !== 'polygon' && tool !== 'halfplane' && points.length === HANDLES[tool];
    if (whole) return finish({ tool, points });
    if (points.length > MAX_CORNERS) return announce(t('cornersFull', { maximum: MAX_CORNERS }));
    return settle(
      begin(model, response, { tool, points }),
      t('handleSet', { point: words.point(point), count: points.length }),
    );
  };

  return {
    tool,
    begun,
    pending,
    notice,
    figures,
    words,
    isDrawing,
    set,
    chooseTool: (next: Tool) => {
      setChosen(next);
      clear();
      // Moving and erasing leave what is being drawn; another tool gives it up.
      if (begun && next !== begun.tool && next !== 'move' && next !== 'eraser')
        settle(begin(model, response, null), t('givenUp'));
    },
    /** What the next press will do, in words. */
    hint:
      tool === 'move'
        ? t('hint.move')
        : tool === 'eraser'
          ? t('hint.eraser')
          : begun?.tool === 'halfplane' && pending.length === 2
            ? t('sideHint')
            : t(`hint.${tool}`),
    canClose: begun?.tool === 'polygon' && pending.length >= HANDLES.polygon,
    close: () => finish({ tool: 'polygon', points: pending }),
    giveUp: () => settle(begin(model, response, null), t('givenUp')),
    /** Moves a handle of the figure being drawn. */
    moveBegun: (handle: number, to: PlanePoint) => {
      if (!begun || readOnly) return;
      const point = snapPoint(model, to);
      const next = { ...begun, points: begun.points.map((one, i) => (i === handle ? point : one)) };
      if (isBegun(next)) settle(begin(model, response, next), words.point(point));
      else announce(t('samePlace'));
    },
    moveHandle: (index: number, handle: number, to: PlanePoint) => {
      const figure = figures[index];
      if (!figure || readOnly) return;
      const moved = moveHandle(figure, handle, snapPoint(model, to));
      if (isFigure(moved)) settle(redraw(response, index, moved), words.figure(moved));
    },
    change: (index: number, figure: Figure) => settle(redraw(response, index, figure), words.figure(figure)),
    turn: (index: number) => {
      const figure = figures[index];
      if (figure) settle(redraw(response, index, otherSide(figure)), t('turned'));
    },
    erase: (index: number) => {
      if (!readOnly) settle(redraw(response, index, null), t('erased', { count: figures.length - 1 }));
    },
    clear: () => {
      clear();
      onAnswer(null);
      announce(t('cleared'));
    },
  };
}
export type Plane = ReturnType<typeof usePlane>;
