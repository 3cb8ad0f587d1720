import type { Db } from './open';

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

function commitAll(db: Db, jobs: readonly Job[]): void {
  const settle: (() => void)[] = [];
  try {
    db.transaction(() => {
      for (const job of jobs) {
        try {
          const value = db.transaction(job.run)();
          settle.push(() => job.resolve(value));
        } catch (error) {
          settle.push(() => job.reject(error));
        }
      }
    }).immediate();
  } catch (error) {
    for (const job of jobs) job.reject(error);
    return;
  }
  for (const done of settle) done();
}
