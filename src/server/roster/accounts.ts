import type { RosterPeople, RosterPerson } from '@/core/roster/people';
import type { Problem } from '@/core/xml/problem';
import { reporterFor } from '@/core/xml/problem';
import { closeAllSessions } from '../accounts/sessions';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';

interface AccountRow {
  readonly id: number;
  readonly sign_in_name: string;
  readonly role: string;
  readonly sourced_id: string | null;
  readonly ended_at: number | null;
}

/**
 * Makes accounts and classes what a roster asks for. Who is there under the same name and role without being of the roster is taken for
 * the same person; who was of it and is no more is ended: cannot sign in, is given nothing, and what they did is kept. Classes that are
 * not of the roster stay as they are. Called inside a transaction.
 * @returns notes on people who could not be given an account, each with why
 */
export function putRosterPeople(db: Db, { people, classes }: RosterPeople, now: number): Problem[] {
  const problems: Problem[] = [];
  const notes = reporterFor('users.csv', problems);
  endOthers(db, new Set(people.map(({ sourcedId }) => sourcedId)), now);
  const before = freeNames(db, people);
  const ids = new Map<string, number>();
  for (const person of people) {
    const id = putPerson(db, person, now);
    if (id !== null) ids.set(person.sourcedId, id);
    else {
      const known = bySource(db, person.sourcedId);
      // Who is here already stays, under the name they had.
      if (known) ids.set(person.sourcedId, known.id);
      notes.warn(
        'name-taken',
        0,
        `the user name "${person.signInName}" of "${person.sourcedId}" is somebody else's here: ${known ? 'the old one stays' : 'there is no account'}`,
      );
    }
  }
  giveBackNames(db, before);
  putClasses(db, classes, ids, now);
  return problems;
}

const bySource = (db: Db, sourcedId: string): AccountRow | undefined =>
  prepared<[string], AccountRow>(
    db,
    'SELECT id, sign_in_name, role, sourced_id, ended_at FROM users WHERE sourced_id = ?',
  ).get(sourcedId);

const rename = (db: Db, id: number, name: string): void => {
  prepared(db, 'UPDATE users SET sign_in_name = ? WHERE id = ?').run(name, id);
};

/**
 * Names that go from one person to another are free before they are taken.
 * @returns the name each had before, by the number of the account
 */
function freeNames(db: Db, people: readonly RosterPerson[]): Map<number, string> {
  const before = new Map<number, string>();
  for (const { sourcedId, signInName } of people) {
    const account = bySource(db, sourcedId);
    if (!account || account.sign_in_name === signInName) continue;
    before.set(account.id, account.sign_in_name);
    rename(db, account.id, `roster ${sourcedId}`);
  }
  return before;
}

/** Whoever was left without a name has the old one again, where it is still free. */
function giveBackNames(db: Db, before: ReadonlyMap<number, string>): void {
  for (const [id, name] of before) {
    const account = prepared<[number], { sign_in_name: string; sourced_id: string | null }>(
      db,
      'SELECT sign_in_name, sourced_id FROM users WHERE id = ?',
    ).get(id);
    const waits = account?.sign_in_name === `roster ${account?.sourced_id ?? ''}`;
    if (waits && !whoHas(db, name, id)) rename(db, id, name);
  }
}

/** Whoever has a name now; one who is not here any more gives it up. */
function whoHas(db: Db, signInName: string, except: number | undefined): AccountRow | undefined {
  const named = prepared<[string], AccountRow>(
    db,
    'SELECT id, sign_in_name, role, sourced_id, ended_at FROM users WHERE sign_in_name = ?',
  ).get(signInName);
  if (!named || named.id === except) return undefined;
  if (named.ended_at === null) return named;
  rename(db, named.id, `${signInName} (ended ${named.id})`);
  return undefined;
}

/** Whether somebody who is here without being of the roster is taken for the same person. Whoever keeps the people is not. */
const isSame = (named: AccountRow, role: RosterPerson['role']): boolean =>
  named.sourced_id === null && named.role === role && role !== 'administrator';

/** @returns the number of the account; null where the name is another's */
function putPerson(
  db: Db,
  { sourcedId, signInName, displayName, role }: RosterPerson,
  now: number,
): number | null {
  const known = bySource(db, sourcedId);
  const named = whoHas(db, signInName, known?.id);
  if (named && (known || !isSame(named, role))) return null;
  const hash =
    prepared<[string], { password_hash: string | null }>(
      db,
      "SELECT password_hash FROM roster_records WHERE kind = 'users' AND sourced_id = ?",
    ).get(sourcedId)?.password_hash ?? null;
  const account = known ?? named;
  if (account) {
    prepared(
      db,
      `UPDATE users SET sourced_id = ?, sign_in_name = ?, display_name = ?, role = ?, ended_at = NULL,
         password_hash = coalesce(password_hash, ?) WHERE id = ?`,
    ).run(sourcedId, signInName, displayName, role, hash, account.id);
    // Another role is another reach: whoever is signed in signs in again.
    if (account.role !== role) closeAllSessions(db, account.id);
    return account.id;
  }
  const row = prepared<[string, string, string, string | null, number, string], { id: number }>(
    db,
    `INSERT INTO users (sign_in_name, display_name, role, password_hash, created_at, sourced_id) VALUES (?, ?, ?, ?, ?, ?) RETURNING id`,
  ).get(signInName, displayName, role, hash, now, sourcedId);
  return row?.id ?? null;
}

/** Who is of the roster and not in it any more is not here any more. */
function endOthers(db: Db, here: ReadonlySet<string>, now: number): void {
  const all = prepared<[], { id: number; sourced_id: string }>(
    db,
    'SELECT id, sourced_id FROM users WHERE sourced_id IS NOT NULL AND ended_at IS NULL',
  ).all();
  for (const { id, sourced_id: source } of all) {
    if (here.has(source)) continue;
    prepared(db, 'UPDATE users SET ended_at = ? WHERE id = ?').run(now, id);
    closeAllSessions(db, id);
  }
}

function putClasses(
  db: Db,
  classes: RosterPeople['classes'],
  ids: ReadonlyMap<string, number>,
  now: number,
): void {
  for (const { sourcedId, title, members } of classes) {
    const row = prepared<[string, string], { id: number }>(
      db,
      `INSERT INTO classes (sourced_id, title) VALUES (?, ?)
       ON CONFLICT (sourced_id) DO UPDATE SET title = excluded.title, ended_at = NULL RETURNING id`,
    ).get(sourcedId, title);
    if (!row) continue;
    prepared(db, 'DELETE FROM class_members WHERE class_id = ?').run(row.id);
    for (const member of members) {
      const id = ids.get(member);
      if (id !== undefined)
        prepared(
          db,
          'INSERT INTO class_members (class_id, user_id) VALUES (?, ?) ON CONFLICT DO NOTHING',
        ).run(row.id, id);
    }
  }
  const kept = new Set(classes.map(({ sourcedId }) => sourcedId));
  const known = prepared<[], { id: number; sourced_id: string }>(
    db,
    'SELECT id, sourced_id FROM classes WHERE sourced_id IS NOT NULL AND ended_at IS NULL',
  ).all();
  for (const { id, sourced_id: source } of known)
    if (!kept.has(source)) prepared(db, 'UPDATE classes SET ended_at = ? WHERE id = ?').run(now, id);
}
