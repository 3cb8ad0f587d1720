'use client';

import { useState } from 'react';
import { useTranslations } from 'use-intl';
import {
  emptyGap,
  fillingOf,
  placeInGap,
  responseOf,
  type GapMatchModel,
} from '@/core/interactions/gap-match';
import { contentText } from '@/core/item/content';
import type { InteractionProps } from '../types';

/** What is in the student's hand: a choice from the list, or the one in a gap. */
export interface Held {
  readonly choice: string;
  readonly from: string | null;
}

/**
 * The moves of gap match, the same for dragging, click-click and keys, each said aloud in plain words. Picking up is a
 * state, not a mode: Escape, or a press on the same thing, puts it down.
 */
export function useGapMatch({ model, response, onAnswer, announce }: InteractionProps<GapMatchModel>) {
  const t = useTranslations('interactions.gapMatch');
  const [held, setHeld] = useState<Held | null>(null);
  const filling = fillingOf(response);
  const nameOf = (identifier: string) => {
    const choice = model.choices.find((one) => one.identifier === identifier);
    return choice ? contentText(choice.content) : identifier;
  };
  const numberOf = (gap: string) => model.gaps.indexOf(gap) + 1;
  const total = model.gaps.length;

  const put = ({ choice, from }: Held, target: string) => {
    setHeld(null);
    const move = placeInGap(model, filling, choice, target, from);
    if (!move) return announce(t('noCopy', { name: nameOf(choice) }));
    onAnswer(responseOf(model, move.filling));
    const placed = t('placed', { name: nameOf(choice), gap: numberOf(target), total });
    if (move.displaced === null) return announce(placed);
    const before = nameOf(move.displaced);
    const after =
      move.displacedTo === 'list'
        ? t('swappedToList', { before, gap: numberOf(target) })
        : t('swapped', { before, other: numberOf(move.displacedTo ?? '') });
    announce(`${placed} ${after}`);
  };

  const takeOut = (gap: string) => {
    const choice = filling[gap];
    if (choice === undefined) return;
    setHeld(null);
    onAnswer(responseOf(model, emptyGap(filling, gap)));
    announce(t('takenOut', { name: nameOf(choice), gap: numberOf(gap) }));
  };

  const hold = (next: Held) => {
    const same = held?.choice === next.choice && held.from === next.from;
    setHeld(same ? null : next);
    announce(
      same ? t('putDown', { name: nameOf(next.choice) }) : t('pickedUp', { name: nameOf(next.choice) }),
    );
  };

  return {
    filling,
    held,
    nameOf,
    numberOf,
    put,
    takeOut,
    letGo: () => setHeld(null),
    pressChoice: (choice: string) => hold({ choice, from: null }),
    pressGap: (gap: string) => {
      const inside = filling[gap];
      if (held && held.from !== gap) put(held, gap);
      else if (inside !== undefined) hold({ choice: inside, from: gap });
      else announce(t('emptyGap', { gap: numberOf(gap), total }));
    },
    pressList: () => {
      if (held?.from) takeOut(held.from);
      else setHeld(null);
    },
  };
}
