import { sittingFrom, SittingRun } from '@/core/attempt/sitting';
import { drawForm, type Form } from '@/core/sitting/form';
import { Plan } from '@/core/sitting/plan';
import type { Sitting } from '@/core/sitting/sitting';
import { NEW_QUESTION } from '@/core/sitting/state';
import type { ItemSession } from '@/core/deliver/deliver';
import type { ServerEvent } from '@/core/attempt/events';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { loadTest, type TestContent } from '../library/library';
import { Refusal } from '../refusal';
import type { AttemptRow } from './attempts';
import { eventsAfter, eventsOf, isInLog, type LogPlace } from './eventLog';

/** The version of the test an attempt was begun on. @throws Refusal `not-found` */
export function contentOf(db: Db, attempt: Pick<AttemptRow, 'test_id'>): TestContent {
  const content = loadTest(db, attempt.test_id);
  if (!content) throw new Refusal('not-found', 404);
  return content;
}

/** Plans kept in memory: of that many attempts that are being saved to. */
const KEPT_PLANS = 20_000;
const plans = new WeakMap<Db, Map<string, Plan>>();

/** An attempt's form laid over its content. Neither ever changes, so it is kept in memory. */
export function planOf(db: Db, attempt: Pick<AttemptRow, 'id' | 'test_id' | 'seed'>): Plan {
  const cache = plans.get(db) ?? new Map<string, Plan>();
  plans.set(db, cache);
  const known = cache.get(attempt.id);
  if (known) return known;
  const content = contentOf(db, attempt);
  const plan = new Plan(content, formOf(db, attempt, content));
  cache.set(attempt.id, plan);
  const [oldest] = cache.keys();
  if (cache.size > KEPT_PLANS && oldest !== undefined) cache.delete(oldest);
  return plan;
}

function formOf(db: Db, attempt: Pick<AttemptRow, 'id' | 'seed'>, content: TestContent): Form {
  const row = prepared<[string], { body: string }>(
    db,
    "SELECT body FROM events WHERE attempt_id = ? AND device = 'server' ORDER BY seq LIMIT 1",
  ).get(attempt.id);
  const begun = row ? (JSON.parse(row.body) as ServerEvent) : null;
  return (begun?.type === 'begun' ? begun.form : undefined) ?? drawForm(content.test, attempt.seed);
}

/** Attempts whose sitting is kept in memory, to go on from: those that are saved to while clocks run inside them. */
const KEPT_RUNS = 1_000;
interface KeptRun {
  readonly run: SittingRun;
  /** The last event of the log in it. What was rolled back is not there any more, or another has its number. */
  readonly last: LogPlace;
}
const runs = new WeakMap<Db, Map<string, KeptRun>>();

/** The sitting of an attempt as far as its events go; only what is new is worked out. */
export function runOf(db: Db, attempt: AttemptRow): SittingRun {
  const cache = runs.get(db) ?? new Map<string, KeptRun>();
  runs.set(db, cache);
  const known = cache.get(attempt.id);
  const stands = known !== undefined && isInLog(db, attempt.id, known.last);
  const fresh = eventsAfter(db, attempt.id, stands ? known.last.id : 0);
  const goesOn = stands && known.run.add(fresh.events);
  const run = goesOn
    ? known.run
    : new SittingRun(contentOf(db, attempt), attempt.seed, eventsOf(db, attempt.id));
  const last = fresh.last ?? known?.last;
  cache.delete(attempt.id);
  if (last) cache.set(attempt.id, { run, last });
  const [oldest] = cache.keys();
  if (cache.size > KEPT_RUNS && oldest !== undefined) cache.delete(oldest);
  return run;
}

/** How an attempt stands at a moment by the rules of its test. */
export function sittingOf(db: Db, attempt: AttemptRow, now: number): Sitting {
  return sittingFrom(contentOf(db, attempt), attempt.seed, eventsOf(db, attempt.id), now);
}

/** What happened to questions: answers that were scored on the way, templates that the test set. */
export function sessionsIn({ plan, state }: Sitting): Map<string, ItemSession> {
  return new Map(
    plan.places.flatMap((place) => {
      const { attempts, score, templateDefaults } = state.questions.get(place.ref) ?? NEW_QUESTION;
      // Nothing is told of the answers to a part that is handed in as one.
      const isTold = attempts > 0 && score !== null && plan.submissionOf(place) === 'individual';
      if (!isTold && Object.keys(templateDefaults).length === 0) return [];
      const [tries, outcomes] = isTold ? [attempts, score.outcomes] : [0, {}];
      return [[place.ref, { tries, outcomes, templateDefaults }] as const];
    }),
  );
}
