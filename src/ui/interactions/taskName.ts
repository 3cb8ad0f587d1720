'use client';

import { createContext, useContext } from 'react';
import type { InteractionModel } from '@/core/interactions/types';

/** What the question around an interaction asks, in words; null where nobody says. */
const TaskWords = createContext<string | null>(null);
export const TaskWordsProvider = TaskWords.Provider;

/**
 * The name of a group of answer places: its own prompt, shown under `id`; without one the words of the question it stands in, so
 * that whoever comes into the group by keys hears what is asked.
 * @param otherwise what it is called where neither is there
 */
export function useTaskName(
  { prompt }: Pick<InteractionModel, 'prompt'>,
  id: string,
  otherwise?: string,
): { readonly 'aria-labelledby'?: string; readonly 'aria-label'?: string } {
  const question = useContext(TaskWords);
  return prompt.length > 0 ? { 'aria-labelledby': id } : { 'aria-label': question ?? otherwise };
}
