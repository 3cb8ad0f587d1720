import { requireAct } from '../accounts/access';
import { logSecurity } from '../accounts/securityLog';
import { needsOf, type User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { resultsDocument } from '../results/exports';
import { zipStream, type ZipEntry } from '../zipStream';
import { IS_OF_PERSON, personRow } from './person';

type Row = Readonly<Record<string, unknown>>;

/** Tables with lines of a person beside their account, each with what finds theirs. A test sees to it that none is left out. */
const OF_PERSON: Readonly<Record<string, string>> = {
  assignments: 'SELECT * FROM assignments WHERE user_id = ?',
  class_members:
    'SELECT c.title, c.sourced_id, c.ended_at FROM class_members m JOIN classes c ON c.id = m.class_id WHERE m.user_id = ?',
  // Of a session everything but what opens it.
  sessions: 'SELECT created_at, expires_at, seen_at, room_id FROM sessions WHERE user_id = ?',
  uploads: 'SELECT name, bytes, created_at FROM uploads WHERE user_id = ?',
  security_log: 'SELECT at, what, address, details FROM security_log WHERE user_id = ?',
  supervision_log_to: 'SELECT at, done, detail, reason, test_id FROM supervision_log WHERE student_id = ?',
  supervision_log_by: 'SELECT at, done, detail, reason, test_id FROM supervision_log WHERE by_id = ?',
  rooms: 'SELECT code, test_id, opened_at, closed_at FROM rooms WHERE opened_by = ?',
  marks_given: 'SELECT item, points, note, first_at, changed_at FROM marks WHERE reader_id = ?',
  mark_log_given: 'SELECT item, points, at FROM mark_log WHERE reader_id = ?',
  late_answers_judged: 'SELECT item, counts, judged_at FROM late_answers WHERE judged_by = ?',
  rescorings: 'SELECT test_id, key_test_id, at, reason FROM rescorings WHERE by_id = ?',
  assignments_given: 'SELECT test_id, created_at FROM assignments WHERE given_by = ?',
  assignments_let_in: 'SELECT test_id, let_in_at FROM assignments WHERE let_in_by = ?',
};
/** Tables with lines of one attempt. */
const OF_ATTEMPT: Readonly<Record<string, string>> = {
  responses: 'SELECT * FROM responses WHERE attempt_id = ?',
  item_results: 'SELECT * FROM item_results WHERE attempt_id = ?',
  test_results: 'SELECT * FROM test_results WHERE attempt_id = ?',
  item_sessions: 'SELECT * FROM item_sessions WHERE attempt_id = ?',
  late_answers: 'SELECT item, said_at, received_at, counts, judged_at FROM late_answers WHERE attempt_id = ?',
  // Who read it is somebody else's.
  marks: 'SELECT item, points, note, first_at, changed_at FROM marks WHERE attempt_id = ?',
  mark_log: 'SELECT item, points, at FROM mark_log WHERE attempt_id = ?',
  settled_marks: 'SELECT item, points FROM settled_marks WHERE attempt_id = ?',
  devices: 'SELECT opened_at, acknowledged, newest_at FROM devices WHERE attempt_id = ?',
};

const inJson = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;

function linesOf(db: Db, queries: Readonly<Record<string, string>>, id: number | string): Row {
  return Object.fromEntries(
    Object.entries(queries).map(([name, sql]) => [name, prepared<[number | string], Row>(db, sql).all(id)]),
  );
}

function rosterOf(db: Db, sourcedId: string | null): readonly Row[] {
  if (sourcedId === null) return [];
  return prepared<[string], Row>(
    db,
    `SELECT kind, sourced_id, fields, active, changed_at FROM roster_records WHERE ${IS_OF_PERSON}`,
  ).all(sourcedId);
}

function* filesOf(db: Db, userId: number, origin: string): Generator<ZipEntry> {
  const { password_hash: _hash, ...account } = personRow(db, userId);
  yield {
    name: 'person.json',
    text: inJson({
      account,
      needs: needsOf(db, userId),
      roster: rosterOf(db, account.sourced_id),
      ...linesOf(db, OF_PERSON, userId),
    }),
  };
  const attempts = prepared<[number], { id: string; phase: string }>(
    db,
    `SELECT id, assignment_id, test_id, phase, limit_ms, used_ms, begun_at, handed_in_at, paused_at, times_left FROM attempts
     WHERE user_id = ? ORDER BY begun_at`,
  ).all(userId);
  for (const attempt of attempts) {
    const folder = `attempts/${attempt.id}`;
    yield {
      name: `${folder}/attempt.json`,
      text: inJson({ attempt, ...linesOf(db, OF_ATTEMPT, attempt.id) }),
    };
    const events = prepared<[string], { body: string; received_at: number; standing: string }>(
      db,
      'SELECT body, received_at, standing FROM events WHERE attempt_id = ? ORDER BY id',
    ).all(attempt.id);
    // A line each, as they came: the body with when it arrived and whether it counts.
    yield {
      name: `${folder}/events.jsonl`,
      text: events
        .map(({ body, received_at: receivedAt, standing }) =>
          JSON.stringify({ event: JSON.parse(body) as unknown, receivedAt, standing }),
        )
        .join('\n'),
    };
    if (attempt.phase === 'handed-in')
      yield { name: `${folder}/result.xml`, text: resultsDocument(db, attempt.id, origin) };
  }
}

/**
 * Everything that is kept of a person in one archive: their account without the password's hash, what was set and chosen, what the
 * roster says, and every attempt with its events, answers, marks and (QTI 3.0 Results Reporting) its result.
 * @param origin what this installation is called in the documents
 * @throws Refusal `not-yours`, `not-found`
 */
export function handOut(
  db: Db,
  by: User,
  userId: number,
  origin: string,
  now: number,
): ReadableStream<Uint8Array> {
  requireAct(by, 'keep-people');
  personRow(db, userId);
  logSecurity(db, 'data-handed-out', now, { userId, details: { by: by.id } });
  return zipStream(filesOf(db, userId, origin));
}
