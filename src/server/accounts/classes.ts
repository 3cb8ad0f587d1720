import type { SchoolClass } from '@/core/wire/desk';
import type { PersonHere } from '@/core/wire/people';
import type { Act } from '@/core/access/access';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { reachFor, requireAct } from './access';
import type { User } from './users';

/** Adds a class. @returns its number here */
export function addClass(db: Db, title: string): number {
  const row = prepared<[string], { id: number }>(
    db,
    'INSERT INTO classes (title) VALUES (?) RETURNING id',
  ).get(title);
  if (!row) throw new Error('the database returned no id for a class');
  return row.id;
}

/** Puts somebody into a class, to teach or to learn there as their role is. Again is harmless. */
export function putIntoClass(db: Db, classId: number, userId: number): void {
  prepared(db, 'INSERT INTO class_members (class_id, user_id) VALUES (?, ?) ON CONFLICT DO NOTHING').run(
    classId,
    userId,
  );
}

/** The classes somebody reaches, by title. @throws Refusal `not-yours` */
export function classesReached(db: Db, by: User, act: Act): SchoolClass[] {
  const rows = prepared<[string, number], { id: number; title: string; student: number | null }>(
    db,
    `SELECT c.id, c.title, u.id AS student FROM classes c
     LEFT JOIN class_members m ON m.class_id = c.id
     LEFT JOIN users u ON u.id = m.user_id AND u.role = 'student' AND u.ended_at IS NULL
     WHERE c.ended_at IS NULL
       AND (? = 'school' OR EXISTS (SELECT 1 FROM class_members own WHERE own.class_id = c.id AND own.user_id = ?))
     ORDER BY c.title, c.id, u.display_name`,
  ).all(...reachFor(by, act));
  const classes = new Map<number, { id: number; title: string; students: number[] }>();
  for (const { id, title, student } of rows) {
    const one = classes.get(id) ?? { id, title, students: [] };
    if (student !== null) one.students.push(student);
    classes.set(id, one);
  }
  return [...classes.values()];
}

/** Everybody who has an account, by name. @throws Refusal `not-yours` */
export function peopleHere(db: Db, by: User): PersonHere[] {
  requireAct(by, 'keep-people');
  const rows = prepared<
    [],
    Omit<PersonHere, 'hasPassword' | 'ofRoster' | 'classes'> & {
      hasPassword: number;
      ofRoster: number;
      classes: string;
    }
  >(
    db,
    `SELECT u.id, u.display_name AS displayName, u.sign_in_name AS signInName, u.role, u.password_hash IS NOT NULL AS hasPassword,
       u.sourced_id IS NOT NULL AS ofRoster,
       (SELECT json_group_array(c.title) FROM class_members m JOIN classes c ON c.id = m.class_id
        WHERE m.user_id = u.id AND c.ended_at IS NULL) AS classes
     FROM users u WHERE u.guest = 0 AND u.ended_at IS NULL ORDER BY u.display_name, u.id`,
  ).all();
  return rows.map((row) => ({
    ...row,
    hasPassword: row.hasPassword === 1,
    ofRoster: row.ofRoster === 1,
    classes: JSON.parse(row.classes) as string[],
  }));
}
