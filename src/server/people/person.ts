import type { OpenSession, PersonPage } from '@/core/wire/people';
import { actsOf } from '@/core/access/access';
import type { AccessNeeds } from '@/core/needs';
import { reaches, requireAct } from '../accounts/access';
import { logSecurity } from '../accounts/securityLog';
import { closeAllSessions } from '../accounts/sessions';
import { noteDone } from '../accounts/supervisionLog';
import { setNeedsOf, type User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';

export interface PersonRow {
  readonly id: number;
  readonly sign_in_name: string;
  readonly display_name: string;
  readonly role: User['role'];
  readonly password_hash: string | null;
  readonly chosen_view: string | null;
  readonly must_change: number;
  readonly sourced_id: string | null;
  readonly ended_at: number | null;
  readonly erased_at: number | null;
}

/** Somebody who has, or had, an account; guests are nobody. @throws Refusal `not-found` */
export function personRow(db: Db, userId: number): PersonRow {
  const row = prepared<[number], PersonRow>(
    db,
    `SELECT id, sign_in_name, display_name, role, password_hash, chosen_view, must_change, sourced_id, ended_at, erased_at
     FROM users WHERE id = ? AND guest = 0`,
  ).get(userId);
  if (!row || row.erased_at !== null) throw new Refusal('not-found', 404);
  return row;
}

/** Whether somebody keeps people; else they reach that student to give them tests. @throws Refusal `not-yours`, `not-found` */
function requireKeeperOrGiver(db: Db, by: User, userId: number): { readonly keeps: boolean } {
  if (actsOf(by.role).includes('keep-people')) return { keeps: true };
  if (!reaches(db, by, 'give', userId)) throw new Refusal('not-found', 404);
  return { keeps: false };
}

/** In SQL: whether a record of the roster is of the person of that sourced id, bound once: themselves, a role, a place in a class. */
export const IS_OF_PERSON =
  "? IN (CASE kind WHEN 'users' THEN sourced_id END, json_extract(fields, '$.userSourcedId'))";

const classesOf = (db: Db, userId: number): string[] =>
  prepared<[number], { title: string }>(
    db,
    `SELECT c.title FROM class_members m JOIN classes c ON c.id = m.class_id
     WHERE m.user_id = ? AND c.ended_at IS NULL ORDER BY c.title`,
  )
    .all(userId)
    .map(({ title }) => title);

const sessionsOf = (db: Db, userId: number): OpenSession[] =>
  prepared<[number], Omit<OpenSession, 'byRoom'> & { readonly byRoom: number }>(
    db,
    `SELECT token_hash AS id, created_at AS begunAt, seen_at AS seenAt, room_id IS NOT NULL AS byRoom FROM sessions
     WHERE user_id = ? ORDER BY seen_at DESC`,
  )
    .all(userId)
    .map((row) => ({ ...row, byRoom: row.byRoom === 1 }));

/**
 * One person, as far as somebody may see them: who keeps people sees all of it, who gives tests their students' needs.
 * @throws Refusal `not-yours`, `not-found`
 */
export function personPage(db: Db, by: User, userId: number): PersonPage {
  const { keeps } = requireKeeperOrGiver(db, by, userId);
  const row = personRow(db, userId);
  return {
    id: row.id,
    displayName: row.display_name,
    signInName: row.sign_in_name,
    role: row.role,
    classes: classesOf(db, userId),
    ended: row.ended_at !== null,
    needs: row.role === 'student' ? setNeedsOf(db, userId) : null,
    choseThemselves: row.chosen_view !== null,
    kept: keeps
      ? {
          hasPassword: row.password_hash !== null,
          mustChange: row.must_change === 1,
          ofRoster: row.sourced_id !== null,
          self: row.id === by.id,
          sessions: sessionsOf(db, userId),
        }
      : null,
  };
}

/**
 * Sets what a student's tests begin with; what the student chose in My view stays on top of it. A test that is begun keeps its time.
 * @throws Refusal `not-yours`, `not-found` for anybody but a student they reach
 */
export function setNeeds(db: Db, by: User, userId: number, needs: AccessNeeds, now: number): void {
  requireAct(by, 'give');
  if (!reaches(db, by, 'give', userId)) throw new Refusal('not-found', 404);
  db.transaction(() => {
    // How tools begin is the student's own to choose.
    prepared(db, 'UPDATE users SET needs = ? WHERE id = ?').run(
      JSON.stringify({ ...needs, chosen: setNeedsOf(db, userId).chosen }),
      userId,
    );
    noteDone(db, by, { done: 'needs-set', student: userId, testId: null }, now);
  }).immediate();
}

/**
 * Ends one session of somebody, or (null) all of them. What they have answered is safe.
 * @throws Refusal `not-yours`, `not-found`
 */
export function endSessions(db: Db, by: User, userId: number, session: string | null, now: number): void {
  requireAct(by, 'keep-people');
  personRow(db, userId);
  db.transaction(() => {
    if (session === null) closeAllSessions(db, userId);
    else prepared(db, 'DELETE FROM sessions WHERE user_id = ? AND token_hash = ?').run(userId, session);
    logSecurity(db, session === null ? 'signed-out-everywhere' : 'signed-out', now, {
      userId,
      details: { by: by.id },
    });
  }).immediate();
}
