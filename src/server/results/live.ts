import type { ClassRow, LiveNews } from '@/core/wire/desk';
import { delayedNow } from '../accounts/signIn';
import type { User } from '../accounts/users';
import { reachFor } from '../accounts/access';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { openRooms } from '../delivery/rooms';

const MINUTE_MS = 60_000;
const minutes = (ms: number | null): number | null => (ms === null ? null : Math.ceil(ms / MINUTE_MS));

/** What of a row is news: times as far as they are told, in whole minutes. */
const digestOf = (row: ClassRow): string =>
  JSON.stringify({ ...row, left: minutes(row.left), silentFor: minutes(row.silentFor) });

/** Whether anything has been written since: by this program, or (rarely) by another that has the same database. */
export function writtenSince(db: Db): () => boolean {
  let before = '';
  return () => {
    const own = prepared<[], { changes: number }>(db, 'SELECT total_changes() AS changes').get();
    const now = `${String(own?.changes)} ${String(db.pragma('data_version', { simple: true }))}`;
    const changed = now !== before;
    before = now;
    return changed;
  };
}

/** Two of whom this is the same reach the same students, and are told the same of them. @throws Refusal `not-yours` */
export const reachedAlike = (by: User): string =>
  reachFor(by, 'supervise')[0] === 'school' ? 'school' : `own ${by.id}`;

/** What somebody who supervises has been told of the students they reach, so that only what is new is told next. */
export class Told {
  private rows = new Map<number, string>();
  private rest: string | null = null;

  /**
   * What is new since it was asked last; null where nothing is. The first time it is everything.
   * @param by as they are now: what they reach may have changed
   * @param rows of the students they reach (`classOverview`)
   * @throws Refusal `not-yours`
   */
  news(db: Db, by: User, rows: readonly ClassRow[], now: number): LiveNews | null {
    const fresh = new Map(rows.map((row) => [row.assignmentId, digestOf(row)]));
    const changed = rows.filter((row) => this.rows.get(row.assignmentId) !== fresh.get(row.assignmentId));
    const gone = [...this.rows.keys()].filter((id) => !fresh.has(id));
    const rest = JSON.stringify([openRooms(db, by, now), delayedNow(db, by, now).map(({ name }) => name)]);
    // What stands beside the students is looked at again by the page itself.
    const look = this.rest !== null && this.rest !== rest;
    this.rows = fresh;
    this.rest = rest;
    return changed.length === 0 && gone.length === 0 && !look ? null : { changed, gone, look };
  }
}
