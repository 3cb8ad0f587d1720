import type { GiveRequest } from '@/core/wire/requests';
import type { GivableTest, Given, GivenTo } from '@/core/wire/desk';
import { readOptions, type AssignmentOptions } from '@/core/item/options';
import {
  IS_REACHED,
  reachFor,
  requireAct,
  requireReachOfAssignment,
  studentsReached,
} from '../accounts/access';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import { NEWEST } from './assignments';

/** What may still be settled when a test has been begun: nothing of how it is taken. */
const LATER = ['tells', 'needed', 'times', 'held'] as const satisfies readonly (keyof AssignmentOptions)[];

interface Standing {
  readonly id: number;
  readonly options: string;
  readonly begun: number;
}

/**
 * Gives a test to students, all or none; of whom it is given to already, for practice or for real as it is now, what was settled is
 * changed.
 * @throws Refusal `not-yours`; `not-found` where one of them is not reached, or there is no such test; `bad-input` for bounds that are
 * not in order
 * @throws ZodError for options there are not
 */
export function give(db: Db, by: User, giving: GiveRequest, now: number): GivenTo {
  const { testId, opensAt, closesAt } = giving;
  const options = readOptions(giving.options);
  if (opensAt !== null && closesAt !== null && closesAt <= opensAt) throw new Refusal('bad-input', 400);
  const reached = new Set(studentsReached(db, by, 'give').map(({ id }) => id));
  return db
    .transaction((): GivenTo => {
      const test = prepared<[number], { id: number }>(db, 'SELECT id FROM tests WHERE id = ?').get(testId);
      if (!test || giving.students.some((id) => !reached.has(id))) throw new Refusal('not-found', 404);
      const counts = { added: 0, changed: 0, begun: 0 };
      for (const student of new Set(giving.students)) {
        const standing = prepared<[number, number, number], Standing>(
          db,
          `SELECT a.id, a.options, EXISTS (SELECT 1 FROM attempts p WHERE p.assignment_id = a.id) AS begun
           FROM assignments a WHERE a.test_id = ? AND a.user_id = ? AND a.practice = ?`,
        ).get(testId, student, Number(options.practice));
        counts[!standing ? 'added' : standing.begun === 1 ? 'begun' : 'changed'] += 1;
        const settled = JSON.stringify(standing?.begun === 1 ? changedLater(standing, options) : options);
        prepared(
          db,
          `INSERT INTO assignments (test_id, user_id, created_at, options, opens_at, closes_at, given_by) VALUES (?, ?, ?, ?, ?, ?, ?)
           ON CONFLICT (test_id, user_id, practice) DO UPDATE SET options = excluded.options, opens_at = excluded.opens_at,
             closes_at = excluded.closes_at`,
        ).run(testId, student, now, settled, opensAt, closesAt, by.id);
      }
      return counts;
    })
    .immediate();
}

function changedLater({ options }: Standing, wanted: AssignmentOptions): AssignmentOptions {
  const later = Object.fromEntries(LATER.map((name) => [name, wanted[name]]));
  return readOptions({ ...readOptions(JSON.parse(options)), ...later });
}

/**
 * Takes a test back that was given by mistake. Again is harmless only while it is there.
 * @throws Refusal `not-yours`, `not-found`, `begun` once there is something of the student's in it
 */
export function takeBack(db: Db, by: User, assignmentId: number): void {
  requireReachOfAssignment(db, by, 'give', assignmentId);
  db.transaction(() => {
    const begun = prepared<[number], { id: string }>(
      db,
      'SELECT id FROM attempts WHERE assignment_id = ?',
    ).get(assignmentId);
    if (begun) throw new Refusal('begun', 409);
    prepared(db, 'DELETE FROM assignments WHERE id = ?').run(assignmentId);
  }).immediate();
}

/** What is given to the students somebody reaches, the newest first. @throws Refusal `not-yours` */
export const givenBy = (db: Db, by: User): Given[] =>
  prepared<[string, number], Omit<Given, 'options' | 'begun'> & { options: string; begun: number }>(
    db,
    `SELECT a.id AS assignmentId, coalesce(p.test_id, a.test_id) AS testId, t.title AS test, u.id AS studentId,
       u.display_name AS student, a.options, a.opens_at AS opensAt, a.closes_at AS closesAt, p.id IS NOT NULL AS begun
     FROM assignments a JOIN users u ON u.id = a.user_id LEFT JOIN attempts p ON p.id = ${NEWEST}
     JOIN tests t ON t.id = coalesce(p.test_id, a.test_id)
     WHERE u.guest = 0 AND u.ended_at IS NULL AND ${IS_REACHED} ORDER BY a.id DESC`,
  )
    .all(...reachFor(by, 'give'))
    .map((row) => ({ ...row, options: readOptions(JSON.parse(row.options)), begun: row.begun === 1 }));

/** The newest version of every test of the library, by title. @throws Refusal `not-yours` */
export function givableTests(db: Db, by: User): GivableTest[] {
  requireAct(by, 'give');
  return prepared<[], GivableTest>(
    db,
    `SELECT t.id AS testId, t.title, p.imported_at AS importedAt FROM tests t JOIN packages p ON p.id = t.package_id
     WHERE NOT EXISTS (SELECT 1 FROM tests o JOIN packages q ON q.id = o.package_id
       WHERE q.identifier = p.identifier AND o.identifier = t.identifier
         AND (q.imported_at > p.imported_at OR (q.imported_at = p.imported_at AND q.id > p.id)))
     ORDER BY t.title, t.id`,
  ).all();
}
