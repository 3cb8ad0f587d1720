import type { WhatIsErased } from '@/core/wire/people';
import { requireAct } from '../accounts/access';
import { forgetAttempts, forgetGuest, trierOf } from '../accounts/guests';
import { logSecurity } from '../accounts/securityLog';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { Refusal } from '../refusal';
import { IS_OF_PERSON, personRow } from './person';

const countOf = (db: Db, sql: string, id: number | string): number =>
  prepared<[number | string], { count: number }>(db, `SELECT count(*) AS count FROM ${sql}`).get(id)?.count ??
  0;

/** What erasing a person takes away, and what stays without their name. @throws Refusal `not-yours`, `not-found` */
export function whatIsErased(db: Db, by: User, userId: number): WhatIsErased {
  requireAct(by, 'keep-people');
  personRow(db, userId);
  return {
    attempts: countOf(db, 'attempts WHERE user_id = ?', userId),
    assignments: countOf(db, 'assignments WHERE user_id = ?', userId),
    supervision: countOf(db, 'supervision_log WHERE ? IN (student_id, by_id)', userId),
    marksGiven: countOf(db, 'marks WHERE reader_id = ?', userId),
    running: countOf(db, "attempts WHERE user_id = ? AND phase = 'running'", userId) > 0,
  };
}

/**
 * Erases a person: their name, account, needs, places in classes and roster, and every attempt with all answers. What points to them
 * (lines of the logs, marks they gave, tests they opened rooms for) stays, without a name. Cannot be taken back.
 * @throws Refusal `not-yours`, `not-found`; `bad-input` for oneself; `sits-now` while an attempt of theirs is open on a computer
 */
export function erase(db: Db, by: User, userId: number, reason: string, now: number): void {
  requireAct(by, 'keep-people');
  if (userId === by.id) throw new Refusal('bad-input', 400);
  db.transaction(() => {
    const { sign_in_name: name, sourced_id: sourcedId } = personRow(db, userId);
    if (whatIsErased(db, by, userId).running) throw new Refusal('sits-now', 409);
    const trier = trierOf(db, userId);
    if (trier !== null) forgetGuest(db, trier);
    forgetAttempts(db, userId);
    for (const table of ['assignments', 'class_members', 'sessions', 'uploads'])
      prepared(db, `DELETE FROM ${table} WHERE user_id = ?`).run(userId);
    prepared(db, 'UPDATE rooms SET closed_at = ? WHERE opened_by = ? AND closed_at IS NULL').run(now, userId);
    prepared(db, 'DELETE FROM sign_in_tries WHERE name = ?').run(name);
    prepared(
      db,
      `UPDATE security_log SET address = NULL, details = '{}'
       WHERE user_id = ? OR json_extract(details, '$.name') = ? COLLATE NOCASE`,
    ).run(userId, name);
    if (sourcedId !== null) prepared(db, `DELETE FROM roster_records WHERE ${IS_OF_PERSON}`).run(sourcedId);
    prepared(
      db,
      `UPDATE users SET sign_in_name = 'erased ' || id, display_name = '–', password_hash = NULL, needs = '{}', chosen_view = NULL,
         language = NULL, sourced_id = NULL, must_change = 0, ended_at = coalesce(ended_at, ?), erased_at = ? WHERE id = ?`,
    ).run(now, now, userId);
    logSecurity(db, 'erased', now, { userId, details: { by: by.id, reason } });
  }).immediate();
}
