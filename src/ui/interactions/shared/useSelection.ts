'use client';

import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { pressOne } from '@/core/interactions/selecting';
import { responseTexts } from '@/core/content/response';
import type { InteractionProps } from '../types';

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
  const [full, setFull] = useState<number | null>(null);
  const chosen = responseTexts(response);
  const press = (identifier: string) => {
    const move = pressOne(order, maximum, response, identifier, shape.cardinality !== 'single');
    if (move.kind === 'full') {
      setFull(move.maximum);
      announce(t('full', { maximum: move.maximum }));
      return;
    }
    setFull(null);
    onAnswer(move.response);
  };
  /** What to do instead, while the limit is reached. */
  const notice = full !== null && chosen.length >= full ? t('full', { maximum: full }) : null;
  return { chosen, press, notice };
}
