'use client';

import { DndContext, closestCenter, useDraggable, useDroppable } from '@dnd-kit/core';
import { ChevronDown, ChevronLeft, ChevronRight, ChevronUp, GripVertical } from 'lucide-react';
import { useRef } from 'react';
import { useTranslations } from 'use-intl';
import { shownOrder, type OrderChoice, type OrderModel } from '@/core/interactions/order';
import { moveTo } from '@/core/interactions/sequence';
import { contentText } from '@/core/content/content';
import { ContentView } from '../../content/ContentView';
import { QUIET, useDragSensors } from '../shared/placing/dragging';
import { Task } from '../shared/Task';
import type { InteractionProps } from '../types';
import styles from './order.module.css';
import { Button, Press } from '../../kit/Button';

/** A list to be put in order, by dragging or by the arrows beside each line; "not set yet" until it is the student's own. */
export function OrderAll(props: InteractionProps<OrderModel>) {
  const { model, response, onAnswer, slots, announce } = props;
  const t = useTranslations('interactions.order');
  const listRef = useRef<HTMLOListElement>(null);
  const sensors = useDragSensors();
  const order = shownOrder(model, response);
  const isSet = response !== null;
  const nameOf = (identifier: string) =>
    contentText(model.choices.find((one) => one.identifier === identifier)?.content ?? []);
  const move = (identifier: string, place: number) => {
    const next = moveTo(order, identifier, place);
    onAnswer(next);
    announce(
      t('moved', { name: nameOf(identifier), place: next.indexOf(identifier) + 1, total: next.length }),
    );
  };
  return (
    <Task model={model} slots={slots} className={styles.block} unit={false}>
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        accessibility={QUIET}
        onDragEnd={({ active, over }) => {
          if (over) move(String(active.id), order.indexOf(String(over.id)));
        }}
      >
        <ol
          ref={listRef}
          className={styles.list}
          data-choices=""
          data-horizontal={model.horizontal || undefined}
        >
          {order.map((identifier, place) => {
            const choice = model.choices.find((one) => one.identifier === identifier);
            return (
              choice && (
                <Line
                  key={identifier}
                  choice={choice}
                  place={place}
                  total={order.length}
                  onMove={(to) => move(identifier, to)}
                  {...props}
                />
              )
            );
          })}
        </ol>
      </DndContext>
      {!isSet && (
        <p className={styles.unset}>
          {t('notSet')}
          <Button onClick={() => onAnswer(order)}>{t('keep')}</Button>
        </p>
      )}
    </Task>
  );
}

interface LineProps extends InteractionProps<OrderModel> {
  readonly choice: OrderChoice;
  readonly place: number;
  readonly total: number;
  readonly onMove: (to: number) => void;
}

function Line({ choice, place, total, onMove, slots, model }: LineProps) {
  const t = useTranslations('interactions.order');
  const { setNodeRef: setDrop, isOver } = useDroppable({ id: choice.identifier });
  const { setNodeRef: setDrag, listeners, transform, isDragging } = useDraggable({ id: choice.identifier });
  const name = contentText(choice.content);
  return (
    <li
      ref={setDrop}
      className={styles.line}
      data-over={(isOver && !isDragging) || undefined}
      data-unit="choice"
      data-unit-key={`${model.responseIdentifier}:${choice.identifier}`}
    >
      <div
        ref={setDrag}
        className={styles.piece}
        data-dragging={isDragging || undefined}
        style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      >
        <span className={styles.grip} {...listeners} aria-hidden="true">
          <GripVertical size="1.2em" />
        </span>
        <span className={styles.text} data-choice-text="">
          <ContentView content={choice.content} slots={slots} />
        </span>
        <Press
          className={styles.arrow}
          disabled={place === 0}
          aria-label={t(model.horizontal ? 'upAcross' : 'up', { name })}
          title={t(model.horizontal ? 'upAcrossShort' : 'upShort')}
          onClick={() => onMove(place - 1)}
        >
          {model.horizontal ? (
            <ChevronLeft size="1.25em" aria-hidden="true" />
          ) : (
            <ChevronUp size="1.25em" aria-hidden="true" />
          )}
        </Press>
        <Press
          className={styles.arrow}
          disabled={place === total - 1}
          aria-label={t(model.horizontal ? 'downAcross' : 'down', { name })}
          title={t(model.horizontal ? 'downAcrossShort' : 'downShort')}
          onClick={() => onMove(place + 1)}
        >
          {model.horizontal ? (
            <ChevronRight size="1.25em" aria-hidden="true" />
          ) : (
            <ChevronDown size="1.25em" aria-hidden="true" />
          )}
        </Press>
      </div>
    </li>
  );
}
