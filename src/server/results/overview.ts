import type { ClassRow } from '@/core/wire/desk';
import { readOptions } from '@/core/item/options';
import { leftAt } from '@/core/attempt/timing';
import { readPoints, type Points } from '@/core/sitting/points';
import { IS_REACHED, reachFor } from '../accounts/access';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { FOR_REAL, NEWEST, waitsFor } from '../delivery/assignments';
import { anyAttempt, lockedIn, timingOf, type AttemptRow } from '../delivery/attempts';
import { lateAnswers } from '../delivery/late';
import { asksFor } from '../delivery/rooms';
import { planOf, runOf } from '../delivery/sittings';
import { hasClocks } from '../delivery/stages';
import { isHeld } from '../delivery/supervise';
import { resultOf } from './results';

interface OverviewRow {
  readonly assignment_id: number;
  readonly student: string;
  readonly title: string;
  readonly attempt_id: string | null;
  readonly user_id: number;
  readonly options: string;
  readonly let_in_at: number | null;
  readonly times_left: number | null;
  readonly low_battery: number | null;
  /** As they were kept when it was handed in; null before, and of what was handed in before points were kept. */
  readonly points: string | null;
}

/** What a handed-in attempt is worth: as it was kept; worked out where it was handed in before points were. */
const pointsOf = (db: Db, attempt: AttemptRow, kept: string | null): Points | null =>
  kept === null ? (resultOf(db, attempt)?.points ?? null) : readPoints(kept);

/** How far an attempt is that is open. */
function progressOf(db: Db, attempt: AttemptRow): NonNullable<ClassRow['progress']> {
  const { places } = planOf(db, attempt);
  const answered = prepared<[string], { count: number }>(
    db,
    "SELECT count(DISTINCT item) AS count FROM responses WHERE attempt_id = ? AND value <> 'null'",
  ).get(attempt.id);
  const at = places.findIndex(({ ref }) => ref === attempt.current_item);
  return { answered: answered?.count ?? 0, of: places.length, at: at < 0 ? null : at + 1 };
}

/** Whether a clock could end what the student is at now. */
const isTimed = (db: Db, attempt: AttemptRow, now: number): boolean =>
  attempt.limit_ms !== null || (hasClocks(db, attempt) && runOf(db, attempt).at(now).sitting.isTimed);

/** Who has done what, and who needs somebody, of the students somebody reaches. @throws Refusal `not-yours` */
export function classOverview(db: Db, by: Pick<User, 'id' | 'role'>, now = Date.now()): ClassRow[] {
  const rows = prepared<[string, number], OverviewRow>(
    db,
    `SELECT a.id AS assignment_id, u.display_name AS student, t.title, p.id AS attempt_id, u.id AS user_id, a.options, a.let_in_at,
       p.times_left, p.low_battery, r.points
     FROM assignments a JOIN users u ON u.id = a.user_id LEFT JOIN attempts p ON p.id = ${NEWEST}
     LEFT JOIN test_results r ON r.attempt_id = p.id
     JOIN tests t ON t.id = coalesce(p.test_id, a.test_id) WHERE ${FOR_REAL} AND u.ended_at IS NULL AND ${IS_REACHED} ORDER BY u.display_name, t.title`,
  ).all(...reachFor(by, 'supervise'));
  return rows.map((row) => {
    const attempt = row.attempt_id === null ? null : anyAttempt(db, row.attempt_id);
    const running = attempt?.phase === 'running';
    const open = running || attempt?.phase === 'stopped';
    const asks = asksFor(db, row.assignment_id);
    return {
      assignmentId: row.assignment_id,
      attemptId: row.attempt_id,
      student: row.student,
      test: row.title,
      state: attempt?.phase ?? 'not-started',
      points: attempt?.phase === 'handed-in' ? pointsOf(db, attempt, row.points) : null,
      waits: asks > 0 || waitsFor(readOptions(JSON.parse(row.options)), row),
      asks,
      locked: attempt && open ? (lockedIn(attempt)?.items.length ?? 0) : 0,
      held: !open ? null : isHeld(attempt) ? 'held' : attempt.hold_by === null ? null : 'asked',
      late: attempt ? lateAnswers(db, attempt) : [],
      timesLeft: row.times_left ?? 0,
      progress: attempt && open ? progressOf(db, attempt) : null,
      left: attempt && open ? leftAt(timingOf(attempt), now) : null,
      limit: attempt && open ? attempt.limit_ms : null,
      timed: attempt !== null && open && isTimed(db, attempt, now),
      ending: open && attempt.end_by !== null,
      moving: open && attempt.move_by !== null,
      lowBattery: running && row.low_battery === 1,
      silentFor: running ? Math.max(0, now - attempt.last_alive_at) : null,
    };
  });
}
