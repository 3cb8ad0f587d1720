'use client';

import { useAttempt, usePlayer } from '../attempt/PlayerContext';
import { standingOf, type ToolRule } from '@/core/tools/allowed';

/** Whether the student has a tool at a question; at the one on the screen where none is named. */
export function useIsHere(itemRef?: string): (tool: ToolRule) => boolean {
  const { test, needs } = usePlayer();
  const current = useAttempt((state) => state.current);
  return (tool) => standingOf(tool, test, itemRef ?? current, needs) === 'here';
}
