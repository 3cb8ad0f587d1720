'use client';

import { useDraggable, useDroppable } from '@dnd-kit/core';
import type { CSSProperties, ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import { ContentView, type ContentSlots } from '../../../content/ContentView';
import styles from './placing.module.css';
import { sentence, type Held, type Placing } from './usePlacing';
import { Press } from '../../../kit/Button';

interface PlaceProps {
  readonly place: string;
  readonly placing: Placing;
  readonly slots: ContentSlots;
  readonly style?: CSSProperties;
  /** `gap` in a line of text, `spot` over a picture, `bin` a box of its own. */
  readonly look: 'gap' | 'spot' | 'bin';
}

/** A place for one piece: one button, filled or empty. */
export function Slot({ place, placing, slots, style, look }: PlaceProps) {
  const t = useTranslations('interactions.placing');
  const [inside] = placing.inside(place);
  const { setNodeRef: setDrop, isOver } = useDroppable({ id: place });
  const data: Held = { piece: inside ?? '', from: place };
  const { setNodeRef: setDrag, listeners } = useDraggable({
    id: `place:${place}`,
    data,
    disabled: inside === undefined || placing.readOnly,
  });
  const held = inside !== undefined && placing.isHeld(inside, place);
  const name = sentence(placing.placeName(place));
  return (
    <Press
      ref={(node) => {
        setDrop(node);
        setDrag(node);
      }}
      className={styles.slot}
      style={style}
      data-look={look}
      data-place={place}
      data-gap={place}
      data-filled={inside === undefined ? undefined : true}
      data-over={isOver || undefined}
      data-held={held || undefined}
      data-waiting={placing.held && !held ? true : undefined}
      data-unit="box"
      data-unit-key={place}
      aria-pressed={held}
      aria-label={
        inside === undefined
          ? t('slotEmpty', { place: name })
          : t('slotFilled', { place: name, name: placing.nameOf(inside) })
      }
      {...listeners}
      onClick={() => (inside === undefined ? placing.pressPlace(place) : placing.pressInside(inside, place))}
      onKeyDown={(event) => {
        if ((event.key === 'Delete' || event.key === 'Backspace') && inside !== undefined) {
          event.preventDefault();
          placing.remove(inside, place);
        }
      }}
    >
      {inside === undefined ? (
        <span aria-hidden="true">{'\u00a0'}</span>
      ) : (
        <ContentView content={placing.contentOf(inside)} slots={slots} />
      )}
    </Press>
  );
}

/** A place for several pieces: a box with the pieces in it, and a button that puts in what is held. */
export function Bin({ place, placing, slots, style, look, children }: PlaceProps & { children?: ReactNode }) {
  const t = useTranslations('interactions.placing');
  const inside = placing.inside(place);
  const { setNodeRef, isOver } = useDroppable({ id: place });
  const name = sentence(placing.placeName(place));
  const waiting = placing.held !== null && placing.held.from !== place;
  return (
    <div
      ref={setNodeRef}
      className={styles.bin}
      style={style}
      role="group"
      aria-label={t('bin', { place: name, count: inside.length })}
      data-look={look}
      data-over={isOver || undefined}
      data-waiting={waiting || undefined}
      data-unit="box"
      data-unit-key={place}
    >
      {children}
      {inside.map((piece) => (
        <InBin key={piece} piece={piece} place={place} placing={placing} slots={slots} />
      ))}
      <Press
        className={styles.here}
        data-place={place}
        data-filled={inside.length > 0 || undefined}
        aria-label={
          waiting
            ? t('putHere', { name: placing.nameOf(placing.held?.piece ?? ''), place: name })
            : t('bin', { place: name, count: inside.length })
        }
        onClick={() => placing.pressPlace(place)}
      >
        {waiting ? t('putHereShort') : '+'}
      </Press>
    </div>
  );
}

function InBin({
  piece,
  place,
  placing,
  slots,
}: Omit<PlaceProps, 'look' | 'style'> & { readonly piece: string }) {
  const t = useTranslations('interactions.placing');
  const data: Held = { piece, from: place };
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id: `in:${place}:${piece}`,
    data,
    disabled: placing.readOnly,
  });
  const held = placing.isHeld(piece, place);
  return (
    <Press
      ref={setNodeRef}
      className={styles.piece}
      data-held={held || undefined}
      data-dragging={isDragging || undefined}
      data-inside={piece}
      aria-pressed={held}
      aria-label={t('inBin', { name: placing.nameOf(piece), place: placing.placeName(place) })}
      {...listeners}
      onClick={() => placing.pressInside(piece, place)}
      onKeyDown={(event) => {
        if (event.key === 'Delete' || event.key === 'Backspace') {
          event.preventDefault();
          placing.remove(piece, place);
        }
      }}
    >
      <ContentView content={placing.contentOf(piece)} slots={slots} />
    </Press>
  );
}

/** A place for one piece or for several. */
export const Place = ({ capacity, ...props }: PlaceProps & { readonly capacity: number }) =>
  capacity === 1 ? <Slot {...props} /> : <Bin {...props} />;
