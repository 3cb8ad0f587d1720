'use client';

import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { moveTo, sequenceOf, sequenceResponse } from '@/core/interactions/sequence';
import type { InteractionProps } from '../types';

/** Putting things one after another, each move said aloud. Shared by ordering some and graphic order. */
export function useSequence(
  { response, onAnswer, announce }: Pick<InteractionProps, 'response' | 'onAnswer' | 'announce'>,
  known: readonly string[],
  maximum: number,
  nameOf: (identifier: string) => string,
) {
  const t = useTranslations('interactions.order');
  const [notice, setNotice] = useState<string | null>(null);
  const sequence = sequenceOf(known, response);
  const give = (next: readonly string[]) => {
    setNotice(null);
    onAnswer(sequenceResponse(next));
  };
  const move = (identifier: string, place: number) => {
    const next = moveTo(sequence, identifier, place);
    give(next);
    announce(
      t('moved', { name: nameOf(identifier), place: next.indexOf(identifier) + 1, total: next.length }),
    );
  };
  const remove = (identifier: string) => {
    give(sequence.filter((one) => one !== identifier));
    announce(t('takenOut', { name: nameOf(identifier) }));
  };
  return {
    sequence,
    notice,
    move,
    remove,
    /** Puts one at the end, or takes it out again. */
    press: (identifier: string) => {
      if (sequence.includes(identifier)) return remove(identifier);
      if (sequence.length >= maximum) {
        const words = t('full', { maximum });
        setNotice(words);
        return announce(words);
      }
      return move(identifier, sequence.length);
    },
  };
}
