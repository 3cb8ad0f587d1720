import { deliverItem, itemSeed, triesOf, type ItemSession } from '@/core/deliver/deliver';
import type { DeliveredItem } from '@/core/item/delivered';
import { itemRefsOf, type ItemRef, type TestPart } from '@/core/item/test';
import type { Value } from '@/core/content/value';
import { interactionsOf } from '@/core/content/content';
import type { Item } from '@/core/item/item';
import { scoreItem, type RawResponses } from '@/core/processing/score';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { loadTest } from '../library/library';
import { Refusal } from '../refusal';
import { attemptOf, say } from './attempts';
import { stateOf } from './eventLog';

/** The questions of an attempt whose answers were checked on the way. */
export function sessionsOf(db: Db, attemptId: string): Map<string, ItemSession> {
  const rows = prepared<[string], { item: string; tries: number; outcomes: string }>(
    db,
    'SELECT item, tries, outcomes FROM item_sessions WHERE attempt_id = ?',
  ).all(attemptId);
  return new Map(
    rows.map(({ item, tries, outcomes }) => [
      item,
      { tries, outcomes: JSON.parse(outcomes) as Record<string, Value> },
    ]),
  );
}

function placeOf(parts: readonly TestPart[], item: string): { part: TestPart; ref: ItemRef } | null {
  for (const part of parts) {
    const inPart = itemRefsOf({ parts: [part] });
    const ref = inPart.find((one) => one.identifier === item);
    if (ref) return { part, ref };
  }
  return null;
}

/** An adaptive item says itself when it is done; others after so many tries. */
const isOver = (
  outcomes: Readonly<Record<string, Value>>,
  adaptive: boolean,
  tries: number,
  allowed: number,
): boolean => {
  const status = outcomes.completionStatus ?? null;
  if (adaptive) return status?.cardinality === 'single' && status.value === 'completed';
  return allowed > 0 && tries >= allowed;
};

export interface CheckRequest {
  readonly attemptId: string;
  /** Identifier of the item reference. */
  readonly item: string;
  /** The response of the end attempt button that asked; null for the player's own. */
  readonly by: string | null;
}

/** The responses as they stand; of the buttons that end a try only the one that was pressed is true (QTI 3.0, "end attempt"). */
function responsesFor(item: Item, responses: RawResponses, by: string | null): RawResponses {
  const buttons = interactionsOf(item.body).filter((one) => one.type === 'end-attempt');
  const pressed = buttons.map(({ responseIdentifier: id }) => [id, String(id === by)] as const);
  return { ...responses, ...Object.fromEntries(pressed) };
}

/**
 * Checks the answer to one question now (QTI 3.0, "end attempt"): scores it, keeps the outcomes, and gives the question back
 * with the feedback that may be seen. Answers already sent count; the browser sends what it holds first.
 * @throws Refusal `moved`, `not-found`, `closed` when the question takes no more tries
 */
export function checkItem(
  db: Db,
  user: User,
  { attemptId, item, by }: CheckRequest,
  device: string,
  now: number,
): { item: DeliveredItem } {
  return db
    .transaction(() => {
      const attempt = attemptOf(db, user.id, attemptId);
      if (attempt.device !== null && attempt.device !== device) throw new Refusal('moved', 409);
      const content = loadTest(db, attempt.test_id);
      const place = content && placeOf(content.test.parts, item);
      const model = place && content.items.get(place.ref.item);
      if (!place || !model) throw new Refusal('not-found', 404);
      const allowed = triesOf(model, place.ref.sessionControl, place.part.submission);
      const state = stateOf(db, attemptId);
      const own = state.items[item];
      if (attempt.phase !== 'running' || allowed === null || own?.closed) throw new Refusal('closed', 409);
      const before = sessionsOf(db, attemptId).get(item);
      const tries = (before?.tries ?? 0) + 1;
      const { outcomes } = scoreItem(model, responsesFor(model, own?.responses ?? {}, by), {
        seed: itemSeed(attempt.seed, item),
        tries,
        before: model.adaptive ? before?.outcomes : undefined,
      });
      prepared(
        db,
        `INSERT INTO item_sessions (attempt_id, item, tries, outcomes) VALUES (?, ?, ?, ?)
         ON CONFLICT (attempt_id, item) DO UPDATE SET tries = excluded.tries, outcomes = excluded.outcomes`,
      ).run(attemptId, item, tries, JSON.stringify(outcomes));
      const closed = isOver(outcomes, model.adaptive, tries, allowed);
      say(db, attemptId, { type: 'checked', item, tries, closed }, now);
      return {
        item: deliverItem(model, item, attempt.seed, {
          tries: allowed,
          showFeedback: place.ref.sessionControl.showFeedback,
          session: { tries, outcomes },
        }),
      };
    })
    .immediate();
}
