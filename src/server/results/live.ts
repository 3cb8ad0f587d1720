import type { LiveNews } from '@/core/wire/desk';
import { delayedNow } from '../accounts/signIn';
import type { User } from '../accounts/users';
import { reachFor } from '../accounts/access';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { openRooms } from '../delivery/rooms';
import type { classOverview } from './overview';

const MINUTE_MS = 60_000;
const minutes = (ms: number | null): number | null => (ms === null ? null : Math.ceil(ms / MINUTE_MS));

/** What of a row is news: times as far as they are told, in whole minutes. */
const digestOf = (row: ReturnType<typeof classOverview>[number]): string =>
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

/** What somebody who supervises has been told of the students they reach, so that only what is new is told next. */
export class Told {
  private rows = new Map<number, string>();
  private rest = '';

  constructor(private readonly by: User) {}

  /** Two who reach the same students are told the same. @throws Refusal `not-yours` */
  get reach(): string {
    return reachFor(this.by, 'supervise')[0] === 'school' ? 'school' : `own ${this.by.id}`;
  }

  /** What is new since it was asked last; null where nothing is. The first time it is everything. @throws Refusal `not-yours` */
  news(db: Db, rows: ReturnType<typeof classOverview>, now: number): LiveNews | null {
    const fresh = new Map(rows.map((row) => [row.assignmentId, digestOf(row)]));
    const changed = rows.filter((row) => this.rows.get(row.assignmentId) !== fresh.get(row.assignmentId));
    const gone = [...this.rows.keys()].filter((id) => !fresh.has(id));
    const rest = JSON.stringify([
      openRooms(db, this.by, now),
      delayedNow(db, this.by, now).map(({ name }) => name),
    ]);
    // What stands beside the students is looked at again by the page itself.
    const look = this.rest !== '' && this.rest !== rest;
    this.rows = fresh;
    this.rest = rest;
    return changed.length === 0 && gone.length === 0 && !look ? null : { changed, gone, look };
  }
}
