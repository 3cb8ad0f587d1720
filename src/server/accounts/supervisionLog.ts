import type { DoneRow, SupervisionDone } from '@/core/wire/desk';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { IS_REACHED, reachFor } from './access';
import type { User } from './users';

/** Lines that are shown; the log itself keeps them all. */
const SHOWN = 1_000;

interface Doing {
  readonly done: SupervisionDone;
  /** Whom it was done to; null where it was done to nobody in particular. */
  readonly student: number | null;
  readonly testId: number | null;
  /** Minutes, a code, a question. */
  readonly detail?: string;
  readonly reason?: string;
}

/** Writes down what somebody who supervises has done. The line stays for ever (a trigger of the database sees to it). */
export function noteDone(
  db: Db,
  by: Pick<User, 'id'>,
  { done, student, testId, detail = '', reason = '' }: Doing,
  now: number,
): void {
  prepared(
    db,
    'INSERT INTO supervision_log (at, by_id, student_id, test_id, done, detail, reason) VALUES (?, ?, ?, ?, ?, ?, ?)',
  ).run(now, by.id, student, testId, done, detail, reason);
}

/** What was done to the students somebody reaches, and by them, the newest first. @throws Refusal `not-yours` */
export const doneTo = (db: Db, by: User): DoneRow[] =>
  prepared<[number, string, number], DoneRow>(
    db,
    `SELECT l.id, l.at, w.display_name AS by, u.display_name AS student, t.title AS test, l.done, l.detail, l.reason
     FROM supervision_log l JOIN users w ON w.id = l.by_id LEFT JOIN users u ON u.id = l.student_id LEFT JOIN tests t ON t.id = l.test_id
     WHERE l.by_id = ? OR (u.id IS NOT NULL AND ${IS_REACHED}) ORDER BY l.id DESC LIMIT ${SHOWN}`,
  ).all(by.id, ...reachFor(by, 'supervise'));
