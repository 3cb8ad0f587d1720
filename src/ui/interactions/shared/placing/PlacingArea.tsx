'use client';

import {
  closestCenter,
  DndContext,
  DragOverlay,
  pointerWithin,
  type CollisionDetection,
} from '@dnd-kit/core';
import { useRef, useState, type ReactNode } from 'react';
import type { InteractionModel } from '@/core/interactions/types';
import type { ContentSlots } from '../../../content/ContentView';
import { Notice } from '../Notice';
import { Task } from '../Task';
import { LIST, QUIET, useDragSensors } from './dragging';
import { PieceList } from './PieceList';
import styles from './placing.module.css';
import { PlacingHint } from './PlacingHint';
import type { Held, Placing } from './usePlacing';

/** How near beside a place a drop still goes in, as a part of the dragged piece's width. */
const NEAR = 1.2;

/** Under the pointer first; else the nearest place if it is near enough. */
const nearPlace: CollisionDetection = (args) => {
  const under = pointerWithin(args);
  const places = under.filter(({ id }) => id !== LIST);
  if (places.length > 0) return places;
  const [nearest] = closestCenter({
    ...args,
    droppableContainers: args.droppableContainers.filter(({ id }) => id !== LIST),
  });
  const distance = nearest?.data?.value as number | undefined;
  if (nearest && distance !== undefined && distance < args.collisionRect.width * NEAR) return [nearest];
  return under;
};

interface Props {
  readonly placing: Placing;
  readonly model: InteractionModel;
  readonly slots: ContentSlots;
  /** The places: a text with gaps, a picture, a list. */
  readonly children: ReactNode;
}

/** A task in which pieces are placed: what is asked, the pieces, their places, what to do next. */
export function PlacingArea({ placing, model, slots, children }: Props) {
  const [dragged, setDragged] = useState<Held | null>(null);
  const rootRef = useRef<HTMLDivElement>(null);
  const sensors = useDragSensors();
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={nearPlace}
      accessibility={QUIET}
      onDragStart={({ active }) => {
        placing.letGo();
        setDragged(active.data.current as Held);
      }}
      onDragCancel={() => setDragged(null)}
      onDragEnd={({ active, over }) => {
        setDragged(null);
        const held = active.data.current as Held;
        if (over && over.id !== LIST) placing.put(held, String(over.id));
        else if (held.from) placing.remove(held.piece, held.from);
      }}
    >
      <Task
        ref={rootRef}
        model={model}
        slots={slots}
        className={styles.block}
        unit={false}
        onEscape={placing.letGo}
      >
        <PlacingHint placing={placing} />
        <PieceList placing={placing} slots={slots} onKeyPick={() => focusFirstPlace(rootRef.current)} />
        {children}
        <Notice words={placing.notice} />
      </Task>
      <DragOverlay dropAnimation={null}>
        {dragged && (
          <span className={styles.piece} data-held>
            {placing.nameOf(dragged.piece)}
          </span>
        )}
      </DragOverlay>
    </DndContext>
  );
}

/** Where the keyboard goes after a piece was picked up: the first empty place, else the first. */
function focusFirstPlace(root: HTMLElement | null): void {
  const target =
    root?.querySelector<HTMLElement>('[data-place]:not([data-filled])') ??
    root?.querySelector<HTMLElement>('[data-place]');
  target?.focus();
}
