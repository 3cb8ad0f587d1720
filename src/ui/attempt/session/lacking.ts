import type { BrowserAction } from '@/core/attempt/events';
import { itemOf, type AttemptState } from '@/core/attempt/state';

/** What must be said for a state to have the answers and flags of another: of a server that came back from a backup, what it lacks. */
export const lackingIn = (there: AttemptState, here: AttemptState): BrowserAction[] =>
  Object.entries(here.items).flatMap(([item, { responses, flagged }]): BrowserAction[] => {
    const known = itemOf(there, item);
    const changed = JSON.stringify(known.responses) !== JSON.stringify(responses);
    return [
      ...(changed ? [{ type: 'answered' as const, item, responses, how: 'edit' as const }] : []),
      ...(flagged && !known.flagged ? [{ type: 'flagged' as const, item, on: true }] : []),
    ];
  });
