import type { Student } from '@/core/wire/desk';
import { reachOf, type Act } from '@/core/access/access';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import type { User } from './users';

/** Refuses who may not do this to anybody. @throws Refusal `not-yours` */
export function requireAct(user: Pick<User, 'role'>, act: Act): void {
  if (reachOf(user.role, act) === 'nobody') throw new Refusal('not-yours', 403);
}

/** In SQL: whether the person `u.id` is reached by whom is bound twice: how far (`Reach`), and who. */
export const IS_REACHED = `(? = 'school' OR EXISTS (SELECT 1 FROM class_members theirs
  JOIN class_members own ON own.class_id = theirs.class_id JOIN classes c ON c.id = own.class_id
  WHERE theirs.user_id = u.id AND own.user_id = ? AND c.ended_at IS NULL))`;

/**
 * What `IS_REACHED` is bound to.
 * @throws Refusal `not-yours` who may not do this to anybody
 */
export function reachFor({ role, id }: Pick<User, 'role' | 'id'>, act: Act): [reach: string, by: number] {
  const reach = reachOf(role, act);
  if (reach === 'nobody' || reach === 'own') throw new Refusal('not-yours', 403);
  return [reach, id];
}

/**
 * Refuses who may not do this to that student. Somebody else's student is not found: that there is one is not told.
 * @throws Refusal `not-yours`, `not-found`
 */
export function requireReach(db: Db, by: User, act: Act, studentId: number): void {
  if (!reaches(db, by, act, studentId)) throw new Refusal('not-found', 404);
}

/** Whether somebody may do this to that student. @throws Refusal `not-yours` who may not do it to anybody */
export const reaches = (db: Db, by: User, act: Act, studentId: number): boolean =>
  prepared<[number, string, number], { id: number }>(
    db,
    `SELECT u.id FROM users u WHERE u.id = ? AND u.role = 'student' AND u.guest = 0 AND ${IS_REACHED}`,
  ).get(studentId, ...reachFor(by, act)) !== undefined;

/** The same, of whose an assignment is. @throws Refusal `not-yours`, `not-found` */
export function requireReachOfAssignment(db: Db, by: User, act: Act, assignmentId: number): void {
  requireAct(by, act);
  const row = prepared<[number], { user_id: number }>(db, 'SELECT user_id FROM assignments WHERE id = ?').get(
    assignmentId,
  );
  if (!row) throw new Refusal('not-found', 404);
  requireReach(db, by, act, row.user_id);
}

/** The students somebody reaches, by name. @throws Refusal `not-yours` */
export const studentsReached = (db: Db, by: User, act: Act): Student[] =>
  prepared<[string, number], Student>(
    db,
    `SELECT u.id, u.display_name AS name FROM users u
     WHERE u.role = 'student' AND u.guest = 0 AND u.ended_at IS NULL AND ${IS_REACHED} ORDER BY u.display_name, u.id`,
  ).all(...reachFor(by, act));
