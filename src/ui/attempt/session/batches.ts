import type { BrowserEvent } from '@/core/attempt/events';

/** Events one batch holds at most, and their size in letters: the server reads no more than four million bytes. */
const MOST_EVENTS = 200;
const MOST_LETTERS = 3_400_000;

/** The first of the events that fit into one batch; at least one, however large. */
export function firstBatch(events: readonly BrowserEvent[], most = MOST_EVENTS): BrowserEvent[] {
  const batch: BrowserEvent[] = [];
  let letters = 0;
  for (const event of events) {
    letters += event.type === 'answered' ? JSON.stringify(event.responses).length : 300;
    if (batch.length > 0 && (batch.length >= most || letters > MOST_LETTERS)) break;
    batch.push(event);
  }
  return batch;
}

/** What `emptied` keeps under: no tool has this name. */
const NOTHING = 'nothing-taken';

/**
 * What is sent in the place of an event the server will not take: the same number, so that nothing after it waits, and nothing else.
 * It names nothing of the test, so that it fits every attempt. The event itself stays in this page's state and is told of.
 */
export const emptied = ({ device, seq, at }: BrowserEvent): BrowserEvent => ({
  device,
  seq,
  at,
  type: 'tool-kept',
  tool: NOTHING,
  state: {},
});
export const isEmptied = (event: BrowserEvent): boolean =>
  event.type === 'tool-kept' && event.tool === NOTHING;
