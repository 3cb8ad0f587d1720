'use client';

import { useTranslations } from 'use-intl';
import { itemOf } from '@/core/attempt/state';
import { progressOfItem, unfinishedParts } from '@/core/item/progress';
import { taskOf } from '@/core/item/said';
import { own } from '@/core/own';
import { usePlayer } from '../attempt/PlayerContext';
import { useSaid } from '../interactions/useSaid';
import { progressText, useProgressWords } from './useProgressWords';

/** After this long without a key what was typed is in the answer, in milliseconds: longer than any field waits. */
const SETTLED_MS = 600;

/** Says a question's task, its answer as it stands, and what is missing (work.md, D18): one key, anywhere. */
export function useReadBack(): (itemRef: string) => void {
  const t = useTranslations('said');
  const { session, test, announce } = usePlayer();
  const say = useSaid();
  const words = useProgressWords();
  const speak = (itemRef: string) => {
    const item = own(test.items, itemRef);
    if (!item) return;
    const { responses } = itemOf(session.getState(), itemRef);
    const progress = progressOfItem(item, responses);
    const missing = progressText(words(unfinishedParts(progress)), '. ');
    announce(
      [
        t('number', { number: item.number }),
        taskOf(item),
        progress.parts.length > 0 ? t('yours', { words: say.item(item, responses) }) : '',
        t('standing', { state: progress.state, words: missing }),
      ]
        .filter((words) => words !== '')
        .join(' '),
    );
  };
  // What was typed last is part of the answer a moment later.
  return (itemRef) => setTimeout(() => speak(itemRef), SETTLED_MS);
}
