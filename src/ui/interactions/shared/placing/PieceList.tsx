'use client';

import { useDraggable, useDroppable } from '@dnd-kit/core';
import { useTranslations } from 'use-intl';
import { ContentView, type ContentSlots } from '../../../content/ContentView';
import { LIST } from './dragging';
import styles from './placing.module.css';
import type { Held, Piece, Placing } from './usePlacing';
import { Press } from '../../../kit/Button';

interface Props {
  readonly placing: Placing;
  readonly slots: ContentSlots;
  readonly onKeyPick: () => void;
}

/** The pieces not placed yet. Something placed can be brought back here. */
export function PieceList({ placing, slots, onKeyPick }: Props) {
  const t = useTranslations('interactions.placing');
  const { setNodeRef, isOver } = useDroppable({ id: LIST });
  return (
    <div
      ref={setNodeRef}
      className={styles.list}
      data-choices=""
      data-over={isOver || undefined}
      role="group"
      aria-label={t('list')}
      data-unit="choice"
      data-unit-key="list"
    >
      {placing.pieces.map((piece) => (
        <ListedPiece
          key={piece.identifier}
          piece={piece}
          placing={placing}
          slots={slots}
          onKeyPick={onKeyPick}
        />
      ))}
      {placing.held?.from && (
        <Press className={styles.back} onClick={placing.pressList}>
          {t('backToList')}
        </Press>
      )}
    </div>
  );
}

function ListedPiece({ piece, placing, slots, onKeyPick }: Props & { readonly piece: Piece }) {
  const t = useTranslations('interactions.placing');
  const left = placing.left(piece);
  const held = placing.isHeld(piece.identifier, null);
  const data: Held = { piece: piece.identifier, from: null };
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id: `list:${piece.identifier}`,
    data,
    disabled: left === 0 || placing.readOnly,
  });
  if (left === 0) return <span className={styles.used} aria-hidden="true" />;
  return (
    <Press
      ref={setNodeRef}
      className={styles.piece}
      data-held={held || undefined}
      data-dragging={isDragging || undefined}
      data-piece={piece.identifier}
      aria-pressed={held}
      {...listeners}
      onClick={(event) => {
        placing.pressPiece(piece.identifier);
        if (event.detail === 0 && !held) onKeyPick();
      }}
    >
      <ContentView content={piece.content} slots={slots} />
      {left !== Infinity && left > 1 && <span className={styles.copies}> {t('copies', { left })}</span>}
    </Press>
  );
}
