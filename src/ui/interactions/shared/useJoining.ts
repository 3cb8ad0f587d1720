'use client';

import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { join, joinedPairs, pairTexts, part, type Joinable, type Pair } from '@/core/interactions/joining';
import { forCardinality } from '@/core/content/response';
import type { InteractionProps } from '../types';
import { useNotice } from './useNotice';

/** Making and parting pairs: press one, then the other; each move said aloud. Shared by associate and graphic associate. */
export function useJoining(
  {
    response,
    shape,
    onAnswer,
    announce,
  }: Pick<InteractionProps, 'response' | 'shape' | 'onAnswer' | 'announce'>,
  offers: readonly Joinable[],
  maximum: number,
  nameOf: (identifier: string) => string,
) {
  const t = useTranslations('interactions.joining');
  const [held, setHeld] = useState<string | null>(null);
  const { notice, refuse, clear } = useNotice({ response, announce });
  const pairs = joinedPairs(response);
  const give = (next: readonly Pair[]) => onAnswer(forCardinality(pairTexts(next), shape.cardinality));

  const put = (a: string, b: string) => {
    setHeld(null);
    clear();
    const move = join(offers, maximum, pairs, a, b);
    if (move.kind === 'changed') {
      give(move.pairs);
      announce(t('joined', { a: nameOf(a), b: nameOf(b), count: move.pairs.length }));
    } else if (move.kind === 'same') announce(t('joinedAlready', { a: nameOf(a), b: nameOf(b) }));
    else
      refuse(
        move.who === null
          ? t('fullAll', { maximum: move.maximum })
          : t('fullOne', { name: nameOf(move.who), maximum: move.maximum }),
      );
  };
  return {
    pairs,
    held,
    notice,
    put,
    /** Puts down what is held; false when nothing is. */
    letGo: (): boolean => {
      setHeld(null);
      return held !== null;
    },
    press: (identifier: string) => {
      if (held === identifier) {
        setHeld(null);
        announce(t('putDown', { name: nameOf(identifier) }));
      } else if (held !== null) put(held, identifier);
      else {
        setHeld(identifier);
        clear();
        announce(t('pickedUp', { name: nameOf(identifier) }));
      }
    },
    part: (a: string, b: string) => {
      clear();
      give(part(pairs, a, b));
      announce(t('parted', { a: nameOf(a), b: nameOf(b) }));
    },
  };
}
export type Joining = ReturnType<typeof useJoining>;
