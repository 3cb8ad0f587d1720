'use client';

import { useState } from 'react';
import { useTranslations } from 'use-intl';
import {
  copiesLeft,
  pairsOf,
  piecesIn,
  placementOf,
  putInto,
  takeOut,
  type Board,
  type Placement,
} from '@/core/interactions/placing';
import { contentText, type Content } from '@/core/content/content';
import { forCardinality } from '@/core/content/response';
import type { InteractionProps } from '../../types';
import { useNotice } from '../useNotice';

/** What is in the student's hand: a piece from the list (`from` null), or one that lies in a place. */
export interface Held {
  readonly piece: string;
  readonly from: string | null;
}

/** Words at the beginning of a label or sentence: a place may be called "box 2 of 3". */
export const sentence = (words: string): string => words.charAt(0).toLocaleUpperCase() + words.slice(1);

/** What can be placed, with what it shows. */
export interface Piece {
  readonly identifier: string;
  readonly matchMax: number;
  readonly content: Content;
}

type Answering = Pick<InteractionProps, 'response' | 'shape' | 'onAnswer' | 'announce' | 'readOnly'>;

/**
 * The moves of putting pieces into places, the same for dragging, click-click and keys, each said aloud in plain words.
 * Picking up is a state, not a mode: Escape, or a press on the same thing, puts it down.
 */
export function usePlacing(
  { response, shape, onAnswer, announce, readOnly }: Answering,
  board: Board,
  pieces: readonly Piece[],
  placeName: (place: string) => string,
) {
  const t = useTranslations('interactions.placing');
  const [held, setHeld] = useState<Held | null>(null);
  const { notice, refuse, clear } = useNotice({ response, announce });
  const placement = placementOf(response);
  const contentOf = (identifier: string): Content =>
    pieces.find((one) => one.identifier === identifier)?.content ?? [{ kind: 'text', text: identifier }];
  const nameOf = (identifier: string): string => contentText(contentOf(identifier)) || identifier;

  const give = (next: Placement) => {
    onAnswer(forCardinality(pairsOf(board, next), shape.cardinality));
  };

  const put = ({ piece, from }: Held, target: string) => {
    setHeld(null);
    clear();
    const move = putInto(board, placement, piece, target, from);
    const name = nameOf(piece);
    switch (move.kind) {
      case 'same':
        return;
      case 'no-copy':
        return refuse(t('noCopy', { name }));
      case 'full':
        return refuse(
          move.who === 'all'
            ? t('fullAll', { maximum: move.maximum })
            : sentence(t('fullPlace', { place: placeName(target), maximum: move.maximum })),
        );
      case 'changed': {
        give(move.placement);
        const placed = t('placed', { name, place: placeName(target) });
        if (move.displaced === null) return announce(placed);
        const before = nameOf(move.displaced);
        const after =
          move.displacedTo === null
            ? t('swappedToList', { before, place: placeName(target) })
            : t('swapped', { before, other: placeName(move.displacedTo) });
        return announce(`${placed} ${sentence(after)}`);
      }
    }
  };

  const remove = (piece: string, place: string) => {
    setHeld(null);
    clear();
    give(takeOut(placement, piece, place));
    announce(t('takenOut', { name: nameOf(piece), place: placeName(place) }));
  };

  const hold = (next: Held) => {
    const same = held?.piece === next.piece && held.from === next.from;
    setHeld(same ? null : next);
    clear();
    announce(t(same ? 'putDown' : 'pickedUp', { name: nameOf(next.piece) }));
  };

  return {
    pieces,
    held,
    notice,
    readOnly,
    contentOf,
    nameOf,
    placeName,
    inside: (place: string) => piecesIn(placement, place),
    left: (piece: Board['pieces'][number]) => copiesLeft(piece, placement),
    isHeld: (piece: string, from: string | null) => held?.piece === piece && held.from === from,
    put,
    remove,
    /** Puts down what is held; false when nothing is. */
    letGo: (): boolean => {
      setHeld(null);
      return held !== null;
    },
    pressPiece: (piece: string) => hold({ piece, from: null }),
    pressInside: (piece: string, place: string) => {
      if (held && held.from !== place) put(held, place);
      else hold({ piece, from: place });
    },
    pressPlace: (place: string) => {
      if (held && held.from !== place) put(held, place);
      else if (held) setHeld(null);
      else announce(sentence(t('emptyPlace', { place: placeName(place) })));
    },
    pressList: () => {
      if (held?.from) remove(held.piece, held.from);
      else setHeld(null);
    },
  };
}
export type Placing = ReturnType<typeof usePlacing>;
