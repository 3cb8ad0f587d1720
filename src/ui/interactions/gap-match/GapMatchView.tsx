'use client';

import {
  closestCenter,
  DndContext,
  DragOverlay,
  PointerSensor,
  pointerWithin,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type Announcements,
  type CollisionDetection,
} from '@dnd-kit/core';
import { useId, useRef, useState, type ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import { copiesLeft, type GapChoice, type GapMatchModel } from '@/core/interactions/gap-match';
import { ContentView } from '../../content/ContentView';
import { Prompt } from '../Prompt';
import type { InteractionProps } from '../types';
import styles from './gapMatch.module.css';
import { useGapMatch, type Held } from './useGapMatch';

const LIST = 'able-list';
/** How near beside a gap a drop still goes in, as a part of the dragged piece's width. */
const NEAR = 1.2;

/** Under the pointer first; else the nearest gap if it is near enough. */
const nearGap: CollisionDetection = (args) => {
  const under = pointerWithin(args);
  const gaps = under.filter(({ id }) => id !== LIST);
  if (gaps.length > 0) return gaps;
  const [nearest] = closestCenter({
    ...args,
    droppableContainers: args.droppableContainers.filter(({ id }) => id !== LIST),
  });
  const distance = nearest?.data?.value as number | undefined;
  if (nearest && distance !== undefined && distance < args.collisionRect.width * NEAR) return [nearest];
  return under;
};

/** Our own moves are announced (useGapMatch), so the library's words are switched off. */
const SILENT: Announcements = {
  onDragStart: () => undefined,
  onDragOver: () => undefined,
  onDragEnd: () => undefined,
  onDragCancel: () => undefined,
};

/** Words or numbers into the gaps of a text: by dragging, by press and press, by keys. */
export function GapMatchView(props: InteractionProps<GapMatchModel>) {
  const { model, slots } = props;
  const t = useTranslations('interactions.gapMatch');
  const id = useId();
  const rootRef = useRef<HTMLDivElement>(null);
  const moves = useGapMatch(props);
  const [dragged, setDragged] = useState<Held | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));

  const gap = (identifier: string): ReactNode => (
    <Gap key={identifier} identifier={identifier} moves={moves} choices={model.choices} {...props} />
  );
  const focusFirstEmpty = () => {
    const target =
      rootRef.current?.querySelector<HTMLElement>('[data-gap]:not([data-filled])') ??
      rootRef.current?.querySelector<HTMLElement>('[data-gap]');
    target?.focus();
  };

  return (
    <DndContext
      sensors={sensors}
      collisionDetection={nearGap}
      accessibility={{ announcements: SILENT, screenReaderInstructions: { draggable: '' } }}
      onDragStart={({ active }) => {
        moves.letGo();
        setDragged(active.data.current as Held);
      }}
      onDragCancel={() => setDragged(null)}
      onDragEnd={({ active, over }) => {
        setDragged(null);
        const held = active.data.current as Held;
        if (over && over.id !== LIST) moves.put(held, String(over.id));
        else if (held.from) moves.takeOut(held.from);
      }}
    >
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- Escape puts down from anywhere inside */}
      <div
        ref={rootRef}
        className={styles.block}
        role="group"
        aria-labelledby={model.prompt.length > 0 ? id : undefined}
        onKeyDown={(event) => {
          if (event.key === 'Escape' && moves.held) {
            event.stopPropagation();
            moves.letGo();
          }
        }}
      >
        <Prompt id={id} content={model.prompt} slots={slots} />
        <List moves={moves}>
          {model.choices.map((choice) => (
            <Piece
              key={choice.identifier}
              choice={choice}
              moves={moves}
              onKeyPick={focusFirstEmpty}
              {...props}
            />
          ))}
        </List>
        <div className={styles.text}>
          <ContentView
            content={model.content}
            slots={{ ...slots, place: (_role, identifier) => gap(identifier) }}
          />
        </div>
        <p className={styles.hint}>
          {moves.held ? t('hintHeld', { name: moves.nameOf(moves.held.choice) }) : t('hint')}
        </p>
      </div>
      <DragOverlay dropAnimation={null}>
        {dragged && (
          <span className={styles.piece} data-held>
            {moves.nameOf(dragged.choice)}
          </span>
        )}
      </DragOverlay>
    </DndContext>
  );
}

type Moves = ReturnType<typeof useGapMatch>;

function List({ moves, children }: { moves: Moves; children: ReactNode }) {
  const t = useTranslations('interactions.gapMatch');
  const { setNodeRef, isOver } = useDroppable({ id: LIST });
  return (
    <div
      ref={setNodeRef}
      className={styles.list}
      data-over={isOver || undefined}
      role="group"
      aria-label={t('list')}
      data-unit="choice"
      data-unit-key="list"
    >
      {children}
      {moves.held?.from && (
        <button type="button" className={styles.back} onClick={moves.pressList}>
          {t('backToList')}
        </button>
      )}
    </div>
  );
}

interface PieceProps extends InteractionProps<GapMatchModel> {
  readonly choice: GapChoice;
  readonly moves: Moves;
  readonly onKeyPick: () => void;
}

function Piece({ choice, moves, onKeyPick, slots }: PieceProps) {
  const t = useTranslations('interactions.gapMatch');
  const left = copiesLeft(choice, moves.filling);
  const held = moves.held?.choice === choice.identifier && moves.held.from === null;
  const data: Held = { choice: choice.identifier, from: null };
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id: `list:${choice.identifier}`,
    data,
    disabled: left === 0,
  });
  if (left === 0) return <span className={styles.used} aria-hidden="true" />;
  return (
    <button
      ref={setNodeRef}
      type="button"
      className={styles.piece}
      data-held={held || undefined}
      data-dragging={isDragging || undefined}
      data-piece={choice.identifier}
      aria-pressed={held}
      {...listeners}
      onClick={(event) => {
        moves.pressChoice(choice.identifier);
        if (event.detail === 0 && !held) onKeyPick();
      }}
    >
      <ContentView content={choice.content} slots={slots} />
      {left !== Infinity && left > 1 && <span className={styles.copies}>{t('copies', { left })}</span>}
    </button>
  );
}

interface GapProps extends InteractionProps<GapMatchModel> {
  readonly identifier: string;
  readonly moves: Moves;
  readonly choices: readonly GapChoice[];
}

function Gap({ identifier, moves, choices, slots, model }: GapProps) {
  const total = model.gaps.length;
  const t = useTranslations('interactions.gapMatch');
  const inside = moves.filling[identifier];
  const choice = choices.find((one) => one.identifier === inside);
  const { setNodeRef: setDrop, isOver } = useDroppable({ id: identifier });
  const data: Held = { choice: inside ?? '', from: identifier };
  const { setNodeRef: setDrag, listeners } = useDraggable({
    id: `gap:${identifier}`,
    data,
    disabled: !choice,
  });
  const held = moves.held?.from === identifier;
  const name = choice ? moves.nameOf(choice.identifier) : null;
  const label = { gap: moves.numberOf(identifier), total };
  return (
    <button
      ref={(node) => {
        setDrop(node);
        setDrag(node);
      }}
      type="button"
      className={styles.gap}
      data-gap={identifier}
      data-filled={choice ? true : undefined}
      data-over={isOver || undefined}
      data-held={held || undefined}
      data-waiting={moves.held && !held ? true : undefined}
      data-unit="box"
      data-unit-key={identifier}
      aria-pressed={held}
      aria-label={name === null ? t('gapEmpty', label) : t('gapFilled', { ...label, name })}
      {...listeners}
      onClick={() => moves.pressGap(identifier)}
      onKeyDown={(event) => {
        if ((event.key === 'Delete' || event.key === 'Backspace') && choice) {
          event.preventDefault();
          moves.takeOut(identifier);
        }
      }}
    >
      {choice ? (
        <ContentView content={choice.content} slots={slots} />
      ) : (
        <span aria-hidden="true">{'\u00a0'}</span>
      )}
    </button>
  );
}
