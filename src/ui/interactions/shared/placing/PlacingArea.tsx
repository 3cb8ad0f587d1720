'use client';

import {
  closestCenter,
  DndContext,
  DragOverlay,
  PointerSensor,
  pointerWithin,
  useSensor,
  useSensors,
  type Announcements,
  type CollisionDetection,
} from '@dnd-kit/core';
import { useRef, useState, type ReactNode, type RefObject } from 'react';
import styles from './placing.module.css';
import type { Held, Placing } from './usePlacing';

export const LIST = 'able-list';
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

/** Our own moves are announced (usePlacing), so the library's words are switched off. */
export const SILENT: Announcements = {
  onDragStart: () => undefined,
  onDragOver: () => undefined,
  onDragEnd: () => undefined,
  onDragCancel: () => undefined,
};

interface Props {
  readonly placing: Placing;
  readonly labelledBy: string | undefined;
  readonly rootRef?: RefObject<HTMLDivElement | null>;
  readonly children: ReactNode;
}

/** Where pieces are dragged about. Escape puts down what is held, from anywhere inside. */
export function PlacingArea({ placing, labelledBy, rootRef, children }: Props) {
  const [dragged, setDragged] = useState<Held | null>(null);
  const ownRef = useRef<HTMLDivElement>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={nearPlace}
      accessibility={{ announcements: SILENT, screenReaderInstructions: { draggable: '' } }}
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
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- Escape puts down from anywhere inside */}
      <div
        ref={rootRef ?? ownRef}
        className={styles.block}
        data-placing=""
        role="group"
        aria-labelledby={labelledBy}
        onKeyDown={(event) => {
          if (event.key === 'Escape' && placing.held) {
            event.stopPropagation();
            event.preventDefault();
            placing.letGo();
          }
        }}
      >
        {children}
      </div>
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
export function focusFirstPlace(root: HTMLElement | null): void {
  const target =
    root?.querySelector<HTMLElement>('[data-place]:not([data-filled])') ??
    root?.querySelector<HTMLElement>('[data-place]');
  target?.focus();
}
