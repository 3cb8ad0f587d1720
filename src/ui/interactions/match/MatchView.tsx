'use client';

import { isTabular, type MatchModel } from '@/core/interactions/match';
import type { InteractionProps } from '../types';
import { MatchGrid } from './MatchGrid';
import { MatchLists } from './MatchLists';

/** Two sets matched: as a grid where the content asks for one, else as two lists. */
export function MatchView(props: InteractionProps<MatchModel>) {
  return isTabular(props.model) ? <MatchGrid {...props} /> : <MatchLists {...props} />;
}
