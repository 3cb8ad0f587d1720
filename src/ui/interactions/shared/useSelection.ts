'use client';

import { useTranslations } from 'use-intl';
import { pressOne } from '@/core/interactions/selecting';
import { responseTexts } from '@/core/content/response';
import type { InteractionProps } from '../types';
import { useNotice } from './useNotice';

/** Choosing one or several of named things, with the limit that speaks. Shared by hottext and hotspot. */
export function useSelection(
  {
    response,
    shape,
    onAnswer,
    announce,
  }: Pick<InteractionProps, 'response' | 'shape' | 'onAnswer' | 'announce'>,
  order: readonly string[],
  maximum: number,
) {
  const t = useTranslations('interactions.choice');
  const { notice, refuse, clear } = useNotice({ response, announce });
  const chosen = responseTexts(response);
  const press = (identifier: string) => {
    const move = pressOne(order, maximum, response, identifier, shape.cardinality !== 'single');
    if (move.kind === 'full') return refuse(t('full', { maximum: move.maximum }));
    clear();
    return onAnswer(move.response);
  };
  return { chosen, press, notice };
}
