import type { Db } from './open';
import { isBusy, isFull } from './trouble';

interface Job {
  readonly run: () => unknown;
  readonly resolve: (value: unknown) => void;
  readonly reject: (reason: unknown) => void;
}

const queues = new WeakMap<Db, Job[]>();

/**
 * Runs a writing job in a transaction shared with all others that wait at the same moment: one flush to the disk for many
 * students' saves. Resolves only after the commit; a job that throws is rolled back alone.
 */
export function commitTogether<T>(db: Db, run: () => T): Promise<T> {
  return new Promise<T>((resolve, reject) => {
    const job: Job = { run, resolve: (value) => resolve(value as T), reject };
    const queue = queues.get(db);
    if (queue) {
      queue.push(job);
      return;
    }
    queues.set(db, [job]);
    setImmediate(() => {
      const jobs = queues.get(db) ?? [];
      queues.delete(db);
      commitAll(db, jobs);
    });
  });
}

/** While another process writes it is tried again so soon, and for so long, in milliseconds; meanwhile everything else goes on. */
const AGAIN_MS = 20;
const PATIENCE_MS = 5_000;

/** Work that does not wait in the database for another process: nobody else would be served meanwhile. @throws what the database says */
function withoutWaiting(db: Db, work: () => void): void {
  const patience = db.pragma('busy_timeout', { simple: true }) as number;
  db.pragma('busy_timeout = 0');
  try {
    work();
  } finally {
    db.pragma(`busy_timeout = ${patience}`);
  }
}

function commitAll(db: Db, jobs: readonly Job[], since = performance.now()): void {
  const settle: (() => void)[] = [];
  const work = db.transaction(() => {
    for (const job of jobs) {
      try {
        const value = db.transaction(job.run)();
        settle.push(() => job.resolve(value));
      } catch (error) {
        // A full disk ends the whole transaction (SQLite, "Response To Errors Within A Transaction"): nothing of it is kept.
        if (!db.inTransaction) throw error;
        settle.push(() => job.reject(error));
      }
    }
  });
  try {
    withoutWaiting(db, () => work.immediate());
  } catch (error) {
    if (isBusy(error) && performance.now() - since < PATIENCE_MS)
      setTimeout(() => commitAll(db, jobs, since), AGAIN_MS);
    // What is small may have room where what came with it has none.
    else if (isFull(error) && jobs.length > 1) for (const job of jobs) commitAll(db, [job], since);
    else for (const job of jobs) job.reject(error);
    return;
  }
  for (const done of settle) done();
}
