import { own } from '../own';
import type { DeliveredItem, DeliveredTest } from '../item/delivered';
import { partOf, questionOrder, shownTogether } from '../item/delivered';
import { progressOfItem, type ItemProgress } from '../item/progress';
import { isClosed, itemOf, type AttemptState, type Responses } from './state';

/** How a question stands, as the trail and the review show it. */
export type Standing = 'not-opened' | 'opened' | 'part-done' | 'done';

export interface QuestionOverview {
  readonly ref: string;
  /** From 1, through the whole test. */
  readonly number: number;
  readonly standing: Standing;
  readonly flagged: boolean;
  /** It takes no more changes. */
  readonly closed: boolean;
  readonly progress: ItemProgress;
}

/** Where a question stands: by its answer first, then by whether it was looked at. */
export function standingOf(progress: ItemProgress, opened: boolean): Standing {
  if (progress.state === 'partial') return 'part-done';
  if (progress.parts.length > 0 && progress.state === 'complete') return 'done';
  if (progress.parts.length === 0) return opened ? 'done' : 'not-opened';
  return opened ? 'opened' : 'not-opened';
}

/** The last progress of each question with the responses it was for: those never change, a new answer makes new ones. */
const known = new WeakMap<
  DeliveredItem,
  { readonly responses: Responses; readonly progress: ItemProgress }
>();

function progressFor(item: DeliveredItem, responses: Responses): ItemProgress {
  const before = known.get(item);
  if (before?.responses === responses) return before.progress;
  const progress = progressOfItem(item, responses);
  known.set(item, { responses, progress });
  return progress;
}

/** One question's line. */
export function overviewOf(test: DeliveredTest, state: AttemptState, ref: string): QuestionOverview | null {
  const item = own(test.items, ref);
  if (!item) return null;
  const mine = itemOf(state, ref);
  const progress = progressFor(item, mine.responses);
  // On a page with others a question is looked at without being gone to.
  const standing = standingOf(progress, mine.opened || mine.seen.length > 0);
  return {
    ref,
    number: item.number,
    standing,
    flagged: mine.flagged,
    closed: isClosed(state, ref),
    progress,
  };
}

/** All questions that may be seen now, in order. */
export function overview(test: DeliveredTest, state: AttemptState): QuestionOverview[] {
  return questionOrder(test).flatMap((ref) => overviewOf(test, state, ref) ?? []);
}

/** Whether nothing is missing in a question. */
export const isFinished = (test: DeliveredTest, state: AttemptState, ref: string): boolean =>
  overviewOf(test, state, ref)?.progress.state === 'complete';

/** The question before or after those shown together with one; null at the ends. Of what is shown together, it is the first. Back does not lead into a part that has ended: the trail does. */
export function neighbour(test: DeliveredTest, ref: string, step: 1 | -1): string | null {
  const order = questionOrder(test);
  const together = shownTogether(test, ref);
  const at = order.indexOf((step > 0 ? together.at(-1) : together[0]) ?? '');
  const next = at < 0 ? undefined : order[at + step];
  const there = next === undefined ? undefined : shownTogether(test, next)[0];
  if (there === undefined) return null;
  return step < 0 && partOf(test, there) !== partOf(test, ref) ? null : there;
}
