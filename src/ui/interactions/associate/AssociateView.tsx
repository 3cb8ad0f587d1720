'use client';

import { DndContext, pointerWithin, useDraggable, useDroppable } from '@dnd-kit/core';
import { useTranslations } from 'use-intl';
import type { AssociableChoice, AssociateModel } from '@/core/interactions/associate';
import { uses } from '@/core/interactions/joining';
import { contentText } from '@/core/content/content';
import { ContentView } from '../../content/ContentView';
import { Notice } from '../shared/Notice';
import { PairList } from '../shared/PairList';
import { QUIET, useDragSensors } from '../shared/placing/dragging';
import styles from '../shared/placing/placing.module.css';
import { Task } from '../shared/Task';
import { useJoining, type Joining } from '../shared/useJoining';
import type { InteractionProps } from '../types';
import { Press } from '../../kit/Button';
import { Hint } from '../shared/Hint';

/** Pairs made from one list: press one and then its partner, or drag one onto the other. */
export function AssociateView(props: InteractionProps<AssociateModel>) {
  const { model, slots, readOnly } = props;
  const t = useTranslations('interactions.joining');
  const contentOf = (identifier: string) =>
    model.choices.find((one) => one.identifier === identifier)?.content ?? [];
  const nameOf = (identifier: string) => contentText(contentOf(identifier)) || identifier;
  const joining = useJoining(props, model.choices, model.counts.maximum, nameOf);
  const sensors = useDragSensors();
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      accessibility={QUIET}
      onDragStart={joining.letGo}
      onDragEnd={({ active, over }) => {
        if (over && over.id !== active.id) joining.put(String(active.id), String(over.id));
      }}
    >
      <Task model={model} slots={slots} className={styles.block} unit={false} onEscape={joining.letGo}>
        <Hint changes>
          {joining.held === null ? t('hint') : t('hintHeld', { name: nameOf(joining.held) })}
        </Hint>
        <div
          className={styles.list}
          role="group"
          aria-label={t('list')}
          data-unit="choice"
          data-unit-key="list"
        >
          {model.choices.map((choice) => (
            <Partner
              key={choice.identifier}
              choice={choice}
              joining={joining}
              slots={slots}
              readOnly={readOnly}
            />
          ))}
        </div>
        <Notice words={joining.notice} />
        <PairList
          joining={joining}
          nameOf={nameOf}
          draw={(identifier) => <ContentView content={contentOf(identifier)} slots={slots} />}
        />
      </Task>
    </DndContext>
  );
}

interface PartnerProps extends Pick<InteractionProps, 'slots' | 'readOnly'> {
  readonly choice: AssociableChoice;
  readonly joining: Joining;
}

function Partner({ choice, joining, slots, readOnly }: PartnerProps) {
  const { identifier, matchMax } = choice;
  const t = useTranslations('interactions.joining');
  const { setNodeRef: setDrop, isOver } = useDroppable({ id: identifier });
  const {
    setNodeRef: setDrag,
    listeners,
    transform,
    isDragging,
  } = useDraggable({ id: identifier, disabled: readOnly });
  const used = uses(joining.pairs, identifier);
  const spent = matchMax > 0 && used >= matchMax;
  return (
    <Press
      ref={(node) => {
        setDrop(node);
        setDrag(node);
      }}
      className={styles.piece}
      data-piece={identifier}
      data-held={joining.held === identifier || (isOver && !isDragging) || undefined}
      data-spent={spent || undefined}
      aria-pressed={joining.held === identifier}
      style={
        transform ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 5 } : undefined
      }
      {...listeners}
      onClick={() => joining.press(identifier)}
    >
      <ContentView content={choice.content} slots={slots} />
      {used > 0 && <span className={styles.copies}>{t('used', { count: used })}</span>}
    </Press>
  );
}
