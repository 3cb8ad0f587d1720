import type { Form } from '../sitting/form';
import type { BrowserAction } from './events';
import { isClosed, type AttemptState } from './state';
import { own } from '../own';
import { GRACE, isOver, type Millis } from './timing';

/** Why something may not be done in an attempt now. */
export type NotNow = 'not-begun' | 'stopped' | 'handed-in' | 'time-over' | 'not-shown' | 'closed';

/** What is asked about: what a browser does, or asks the server to do. */
export type Deed =
  | BrowserAction
  | { readonly type: 'check'; readonly item: string }
  | { readonly type: 'stop' }
  | { readonly type: 'hand-in' };

const known = new WeakMap<Form, ReadonlySet<string>>();
/** The questions of a form, by reference. */
export function refsOf(form: Form): ReadonlySet<string> {
  const refs =
    known.get(form) ?? new Set(form.parts.flatMap(({ questions }) => questions.map(({ ref }) => ref)));
  known.set(form, refs);
  return refs;
}

/** What only looking does. */
const LOOKING: ReadonlySet<Deed['type']> = new Set(['opened', 'seen', 'reminded']);

/** What the stage of a test leaves of its questions: those that are open, and those that may be looked at again. */
function atStage({ stage, items }: AttemptState, deed: Extract<Deed, { item: string }>): NotNow | null {
  if (!stage || stage.open.includes(deed.item)) return null;
  if (LOOKING.has(deed.type) && stage.lookable.includes(deed.item)) return null;
  return (own(items, deed.item)?.opened ?? false) ? 'closed' : 'not-shown';
}

/**
 * Whether something may be done at a moment, decided once for browser and server: the browser asks before it does it, the
 * reducer before it lets an event count, the server before it takes one.
 * @param now milliseconds by the server's clock
 * @returns null when it may
 */
export function may(state: AttemptState, deed: Deed, now: Millis): NotNow | null {
  switch (state.phase) {
    case 'not-started':
      return 'not-begun';
    case 'handed-in':
      return 'handed-in';
    case 'stopped':
      return deed.type === 'hand-in' ? null : 'stopped';
    case 'running':
      break;
  }
  if (deed.type === 'stop' || deed.type === 'hand-in') return null;
  if (isOver(state.timing, now, GRACE)) return 'time-over';
  if (!('item' in deed)) return null;
  if (state.form && !refsOf(state.form).has(deed.item)) return 'not-shown';
  const staged = atStage(state, deed);
  if (staged !== null) return staged;
  const changesAnswer = deed.type === 'answered' || deed.type === 'check';
  return changesAnswer && isClosed(state, deed.item) ? 'closed' : null;
}
