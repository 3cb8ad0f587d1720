import { randomUUID } from 'node:crypto';
import { endOf, standingOf } from '@/core/attempt/admission';
import type { BrowserEvent } from '@/core/attempt/events';
import { GRACE, isOver, limitWith } from '@/core/attempt/timing';
import { answerableItem } from '@/core/deliver/answerable';
import { readBeside } from '@/core/item/materials';
import { responseProblem } from '@/core/item/responseProblem';
import { timeLimitOf } from '@/core/item/test';
import { Plan } from '@/core/sitting/plan';
import { Sitting } from '@/core/sitting/sitting';
import { holdsHandIn, isStaged, stageOf, type Stage } from '@/core/sitting/stage';
import type { QuestionState } from '@/core/sitting/state';
import type { Batch } from '@/core/wire/events';
import type { Resumed, Saved } from '@/core/wire/replies';
import type { User } from '../accounts/users';
import { commitTogether } from '../db/groupCommit';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import { assignedTest, newForm, requireWindow } from './assignments';
import { attemptOf, lockedIn, say, timingOf, type AttemptRow } from './attempts';
import { acknowledge, deviceOf, openDevice, type DeviceRow } from './devices';
import { appendEvent, eventsSince, isFollowed, newestEvent, putResponses, stateOf } from './eventLog';
import { handInNow } from './ending';
import { contentOf, planOf, runOf } from './sittings';
import { noteLate, scoreAgain } from './late';
import { newSealKey } from './sealKey';
import { catchUp, hasClocks, hasStages, refusalFor } from './stages';
import { lockAfterPause, takeOrders } from './supervise';

/** What one attempt may hold: far above what a day of work with drawings makes. */
export const QUOTA = { events: 100_000, letters: 150_000_000 } as const;

/** And one of somebody without an account: room for every question and some drawings, and for nobody to fill a disk with. */
export const GUEST_QUOTA = { events: 20_000, letters: 20_000_000 } as const;

/** Time without a sign of life that counts, when another page opens the attempt: eight heartbeats that did not come. */
export const SILENCE_COUNTS_MS = 120_000;

/**
 * Begins an attempt and its clock (where its test is fetched first, the clock waits for that); a second call for the same assignment
 * returns the attempt there is, unless that is handed in and may be made once more. What it is of (the
 * version of the test, what it drew, its limit) is settled here and never changes.
 * @throws Refusal `not-found`; `no-go-ahead` where whoever supervises has still to let the student in; `opens-later`, `window-over`
 */
export function beginAttempt(db: Db, user: User, assignmentId: number, now: number): { attemptId: string } {
  return db
    .transaction(() => {
      const assigned = assignedTest(db, user, assignmentId, now);
      if (user.room?.letIn === false) throw new Refusal('no-go-ahead', 409);
      if (assigned.attemptId !== null && !assigned.again) return { attemptId: assigned.attemptId };
      if (assigned.waits) throw new Refusal('no-go-ahead', 409);
      requireWindow(assigned.window);
      const id = randomUUID();
      const key = assigned.given.fetchFirst ? newSealKey() : null;
      prepared(
        db,
        `INSERT INTO attempts (id, assignment_id, test_id, user_id, seed, phase, last_alive_at, begun_at, seal_key)
         VALUES (?, ?, ?, ?, ?, 'not-started', ?, ?, ?)`,
      ).run(id, assignmentId, assigned.testId, user.id, randomUUID(), now, now, key);
      if (key === null) beginNow(db, user, attemptOf(db, user, id), now);
      return { attemptId: id };
    })
    .immediate();
}

/** The clock of an attempt starts: what it is of is settled now. */
export function beginNow(db: Db, user: User, attempt: AttemptRow, now: number): void {
  const content = contentOf(db, attempt);
  const { timeMultiplier } = user.needs;
  const limit = limitWith(timeLimitOf(content.test), timeMultiplier);
  const form = newForm(db, attempt, content.test, timeMultiplier);
  const stage = isStaged(new Plan(content, form)) ? stageOf(Sitting.begin(content, form)) : undefined;
  say(db, attempt, { type: 'begun', limit, form, ...(stage && { stage }) }, now);
}

/**
 * Opens an attempt in a browser, which becomes the one that counts and is given its name. A stretch of time that was never
 * closed (the browser died) is closed where life was last seen, with a bounded silence counted.
 * @param session who opened it, as accounts/sessions names it
 */
export function resumeAttempt(
  db: Db,
  user: User,
  attemptId: string,
  session: string | null,
  now: number,
): Resumed {
  return db
    .transaction((): Resumed => {
      let attempt = attemptOf(db, user, attemptId);
      if (attempt.phase === 'running') attempt = closeStretch(db, attempt, now);
      const device = openDevice(db, attemptId, session, now);
      attempt = lockAfterPause(db, attempt, now);
      if (attempt.phase === 'stopped') attempt = say(db, attempt, { type: 'resumed', by: device }, now);
      // Opened somewhere, it has moved.
      takeOrders(db, { ...attempt, move_by: null }, now);
      // How the battery of its computer is, each page says itself.
      prepared(
        db,
        'UPDATE attempts SET device = ?, low_battery = 0, move_by = NULL, last_alive_at = max(last_alive_at, ?) WHERE id = ?',
      ).run(device, now, attemptId);
      return { device, state: stateOf(db, attemptId), cursor: newestEvent(db, attemptId), serverNow: now };
    })
    .immediate();
}

/** The page before is gone, or is left for another: time counts to where it was last seen, and some of the silence after. */
function closeStretch(db: Db, attempt: AttemptRow, now: number): AttemptRow {
  if (attempt.device === null) return attempt;
  const lastSeen = Math.max(attempt.last_alive_at, attempt.running_since ?? 0);
  const at = Math.min(now, lastSeen + SILENCE_COUNTS_MS);
  if (isOver(timingOf(attempt), at)) return handInNow(db, attempt, 'time', at);
  const gone = now - lastSeen > SILENCE_COUNTS_MS;
  return say(
    db,
    hasClocks(db, attempt) ? catchUp(db, attempt, at).attempt : attempt,
    { type: 'stopped', reason: gone ? 'lost' : 'moved', ...(gone && { unseen: now - at }) },
    at,
  );
}

type TemplateDefaults = QuestionState['templateDefaults'];

/** Whether what a page says is of this attempt's form at all, and could be given there. */
function isOfForm(plan: Plan, event: BrowserEvent, template: (ref: string) => TemplateDefaults): boolean {
  if ('text' in event && event.text !== null) {
    const [kind, name] = [
      event.text.slice(0, event.text.indexOf(':')),
      event.text.slice(event.text.indexOf(':') + 1),
    ];
    if (kind === 'item') return plan.placeOf(name) !== undefined;
    return kind === 'stimulus' && plan.places.some(({ item }) => readBeside(item).includes(name));
  }
  if (!('item' in event)) return true;
  const place = plan.placeOf(event.item);
  if (!place) return false;
  if (event.type === 'struck') return place.item.responses.some((one) => one.identifier === event.response);
  if (event.type !== 'answered') return true;
  const defaults = place.source.templateDefaults.length > 0 ? template(place.ref) : {};
  const item = answerableItem(place.item, place.ref, plan.form.seed, defaults);
  return Object.entries(event.responses).every(([name, raw]) => responseProblem(item, name, raw) === null);
}

/** A page that says something, of an attempt that stands somewhere. */
interface Speaker {
  readonly attempt: AttemptRow;
  readonly device: DeviceRow;
  /** Where the attempt stands; null where all of it is open. */
  readonly stage: Stage | null;
}

/** What whoever supervises should know at once is counted where they look. */
function noteForSupervision(db: Db, attemptId: string, event: BrowserEvent): void {
  if (event.type === 'left')
    prepared(db, 'UPDATE attempts SET times_left = times_left + 1 WHERE id = ?').run(attemptId);
  // Loading the page again looks like leaving, until it is there again and says so.
  if (event.type === 'returned' && event.reloaded)
    prepared(db, 'UPDATE attempts SET times_left = max(0, times_left - 1) WHERE id = ?').run(attemptId);
  if (event.type === 'opened')
    prepared(db, 'UPDATE attempts SET current_item = ? WHERE id = ?').run(event.item, attemptId);
  if (event.type === 'battery')
    prepared(db, 'UPDATE attempts SET low_battery = ? WHERE id = ?').run(Number(event.low), attemptId);
}

/** Keeps one event; says the time it counts with (0 where it does not), and whether it is an answer that counts. */
function keepEvent(
  db: Db,
  { attempt, device, stage }: Speaker,
  sent: BrowserEvent,
  now: number,
): { readonly at: number; readonly answers: boolean } {
  const end = endOf({ phase: attempt.phase, timing: timingOf(attempt), pausedAt: attempt.paused_at });
  // What is said of an open question was said after the question was opened, whatever the browser's clock shows.
  const isOpen = stage === null || !('item' in sent) || stage.open.includes(sent.item);
  const follows = stage !== null && isOpen && attempt.phase === 'running';
  const since = follows ? Math.max(device.opened_at, attempt.server_at + 1) : device.opened_at;
  const said = Math.max(since, Math.min(now, sent.at));
  // What was on its way at the end was given at the last moment.
  const onItsWay = end !== null && said >= end && said <= end + GRACE;
  const event: BrowserEvent = { ...sent, device: device.id, at: onItsWay ? end - 1 : said };
  const locked = lockedIn(attempt);
  const isLocked =
    locked !== null && 'item' in event && locked.items.includes(event.item) && event.at >= locked.since;
  // An answer that comes after its question was closed is kept, and a person decides: others were led on without it.
  const isTooLate = event.type === 'answered' && (!isOpen || isLocked);
  const standing = isTooLate
    ? 'late'
    : standingOf({
        at: event.at,
        receivedAt: now,
        phase: attempt.phase,
        timing: timingOf(attempt),
        pausedAt: attempt.paused_at,
        followed: attempt.phase !== 'running' && isFollowed(db, attempt.id, device.id, event.seq),
      });
  const isNew = appendEvent(db, attempt.id, event, now, standing);
  const answers = isNew && event.type === 'answered' && standing === 'counts';
  if (answers) putResponses(db, attempt.id, event);
  else if (isNew && event.type === 'answered') noteLate(db, attempt.id, event, now);
  else if (isNew) noteForSupervision(db, attempt.id, event);
  return { at: standing === 'counts' ? event.at : 0, answers };
}

/**
 * Keeps a batch. Acknowledged only once it is on the disk; sending again changes nothing. Events of a browser that has been
 * replaced, or that came after the end, are kept too: nothing a student gave is thrown away, only not everything counts.
 * @throws Refusal `not-found`, `unknown-device`, `bad-input` for what is not of this attempt's form, `too-much` over the quota
 */
export function saveBatch(db: Db, user: User, attemptId: string, batch: Batch, now: number): Promise<Saved> {
  return commitTogether(db, () => {
    let attempt = attemptOf(db, user, attemptId);
    const device = deviceOf(db, attemptId, batch.device);
    if (batch.events.length > 0) {
      const quota = user.guest ? GUEST_QUOTA : QUOTA;
      if (attempt.event_count > quota.events || attempt.event_letters > quota.letters)
        throw new Refusal('too-much', 409);
      const plan = planOf(db, attempt);
      const row = attempt;
      const template = (ref: string) =>
        runOf(db, row).at(now).sitting.state.questions.get(ref)?.templateDefaults ?? {};
      if (!batch.events.every((event) => isOfForm(plan, event, template)))
        throw new Refusal('bad-input', 400);
    }
    const moved = attempt.device !== null && attempt.device !== device.id;
    let newest = 0;
    const stage = batch.events.length > 0 && hasStages(db, attempt) ? stateOf(db, attemptId).stage : null;
    const speaker = { attempt, device, stage };
    let answers = false;
    for (const sent of batch.events) {
      const kept = keepEvent(db, speaker, sent, now);
      newest = Math.max(newest, kept.at);
      answers ||= kept.answers;
    }
    // It was on its way when the test was handed in.
    if (answers && attempt.phase === 'handed-in') scoreAgain(db, attempt);
    const alive = moved ? newest : now;
    if (attempt.phase === 'running' && alive > attempt.last_alive_at)
      prepared(db, 'UPDATE attempts SET last_alive_at = ? WHERE id = ?').run(alive, attemptId);
    if (attempt.phase === 'running' && isOver(timingOf(attempt), now, GRACE))
      attempt = handInNow(db, attempt, 'time', now);
    else if (attempt.phase === 'running' && !moved && hasClocks(db, attempt))
      attempt = catchUp(db, attempt, now).attempt;
    if (!moved) attempt = takeOrders(db, attempt, now);
    const { events: others, cursor } = eventsSince(db, attemptId, batch.cursor, device.id);
    return {
      acknowledged: acknowledge(db, attemptId, device, newest),
      serverNow: now,
      cursor,
      others,
      moved,
      phase: attempt.phase,
    };
  });
}

/** Stops for now: the clock halts, everything stays. */
export function stopAttempt(db: Db, user: User, attemptId: string, device: string, now: number): void {
  db.transaction(() => {
    const attempt = attemptOf(db, user, attemptId);
    deviceOf(db, attemptId, device);
    if (attempt.device !== null && attempt.device !== device) throw new Refusal('moved', 409);
    if (attempt.phase !== 'running') return;
    const row = hasClocks(db, attempt) ? catchUp(db, attempt, now).attempt : attempt;
    say(db, row, { type: 'stopped', reason: 'asked' }, now);
  }).immediate();
}

/**
 * Hands in: the answers are scored and the attempt is over. Again is harmless.
 * @throws Refusal `moved` when another browser has the attempt; `needs-answer`, `not-valid`, `too-early` where the test asks for more
 */
export function handIn(
  db: Db,
  user: User,
  attemptId: string,
  device: string,
  reason: 'asked' | 'time',
  now: number,
): void {
  db.transaction(() => {
    const attempt = attemptOf(db, user, attemptId);
    deviceOf(db, attemptId, device);
    if (attempt.phase === 'handed-in') return;
    if (attempt.device !== null && attempt.device !== device) throw new Refusal('moved', 409);
    if (reason === 'asked' && holdsHandIn(planOf(db, attempt))) {
      const refused = catchUp(db, attempt, now).sitting.may({
        do: 'hand-in',
        forced: attempt.phase === 'stopped',
      });
      if (refused !== null && refused !== 'handed-in') throw new Refusal(refusalFor(refused), 409);
    }
    if (reason === 'time' && !isOver(timingOf(attempt), now + GRACE)) throw new Refusal('bad-input', 409);
    handInNow(db, attempt, reason, now);
  }).immediate();
}
