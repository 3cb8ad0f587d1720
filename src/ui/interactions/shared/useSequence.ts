'use client';

import { useTranslations } from 'use-intl';
import { moveTo, sequenceOf, sequenceResponse } from '@/core/interactions/sequence';
import type { InteractionProps } from '../types';
import { useNotice } from './useNotice';

/** Putting things one after another, each move said aloud. Shared by ordering some and graphic order. */
export function useSequence(
  { response, onAnswer, announce }: Pick<InteractionProps, 'response' | 'onAnswer' | 'announce'>,
  known: readonly string[],
  maximum: number,
  nameOf: (identifier: string) => string,
) {
  const t = useTranslations('interactions.order');
  const { notice, refuse, clear } = useNotice({ response, announce });
  const sequence = sequenceOf(known, response);
  const give = (next: readonly string[]) => {
    clear();
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
      if (sequence.length >= maximum) return refuse(t('full', { maximum }));
      return move(identifier, sequence.length);
    },
  };
}
