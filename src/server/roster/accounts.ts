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
  freeNames(db, people);
  const ids = new Map<string, number>();
  for (const person of people) {
    const id = putPerson(db, person, now);
    if (id === null)
      notes.warn(
        'name-taken',
        0,
        `"${person.sourcedId}" has no account: the user name "${person.signInName}" is somebody else's here`,
      );
    else ids.set(person.sourcedId, id);
  }
  endOthers(db, new Set(ids.values()), now);
  putClasses(db, classes, ids, now);
  return problems;
}

const bySource = (db: Db, sourcedId: string): AccountRow | undefined =>
  prepared<[string], AccountRow>(
    db,
    'SELECT id, sign_in_name, role, sourced_id FROM users WHERE sourced_id = ?',
  ).get(sourcedId);

/** Names that go from one person to another are free before they are taken. */
function freeNames(db: Db, people: readonly RosterPerson[]): void {
  for (const { sourcedId, signInName } of people) {
    const account = bySource(db, sourcedId);
    if (account && account.sign_in_name !== signInName)
      prepared(db, 'UPDATE users SET sign_in_name = ? WHERE id = ?').run(`roster ${sourcedId}`, account.id);
  }
}

/** @returns the number of the account; null where the name is another's */
function putPerson(
  db: Db,
  { sourcedId, signInName, displayName, role }: RosterPerson,
  now: number,
): number | null {
  const known = bySource(db, sourcedId);
  const named = prepared<[string], AccountRow>(
    db,
    'SELECT id, sign_in_name, role, sourced_id FROM users WHERE sign_in_name = ?',
  ).get(signInName);
  const taken = named && named.id !== known?.id;
  if (taken && (known || named.sourced_id !== null || named.role !== role)) return null;
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

function endOthers(db: Db, here: ReadonlySet<number>, now: number): void {
  const all = prepared<[], { id: number }>(
    db,
    'SELECT id FROM users WHERE sourced_id IS NOT NULL AND ended_at IS NULL',
  ).all();
  for (const { id } of all) {
    if (here.has(id)) continue;
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
