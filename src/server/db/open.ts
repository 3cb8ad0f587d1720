import { createHash } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';

export type Db = Database.Database;

const MIGRATIONS = join(process.cwd(), 'src', 'server', 'db', 'migrations');

/** The one file of a school. */
export const DATABASE_FILE = 'able-compass.sqlite';

/** The folder everything the app keeps lies in: `ABLE_DATA_DIR`, or `.data` beside the project. */
export const dataDir = (): string => process.env.ABLE_DATA_DIR ?? join(process.cwd(), '.data');

/**
 * Milliseconds that a process waits in the database for another that writes; then it says that it is busy. A server does nothing else
 * meanwhile, so for it that is short, and what students save waits outside (`groupCommit.ts`).
 */
const PATIENCE_MS = 5_000;
const SERVERS_PATIENCE_MS = 250;

/**
 * Opens a database: WAL, every commit on the disk before it is acknowledged (`synchronous=FULL`), foreign keys on, all
 * migrations applied.
 * @param until the last migration to apply, by its name: how an older program left a database; for tests of upgrades
 */
export function openDatabase(path: string, { until }: { readonly until?: string } = {}): Db {
  const db = new Database(path);
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.pragma(`busy_timeout = ${PATIENCE_MS}`);
  migrate(db, until);
  db.pragma('foreign_keys = ON');
  return db;
}

/**
 * Applies what is new, each file in a transaction. References are not enforced while a table is rebuilt (SQLite, "Making Other
 * Kinds Of Table Schema Changes") and checked before the transaction ends.
 * @throws Error when a file that was already applied has changed since (history is not rewritten), or leaves a broken reference
 */
function migrate(db: Db, until?: string): void {
  db.pragma('foreign_keys = OFF');
  db.exec(
    'CREATE TABLE IF NOT EXISTS migrations (name TEXT PRIMARY KEY, sha256 TEXT NOT NULL, applied_at INTEGER NOT NULL) STRICT',
  );
  const known = new Map(
    db
      .prepare<[], { name: string; sha256: string }>('SELECT name, sha256 FROM migrations')
      .all()
      .map((row) => [row.name, row.sha256]),
  );
  for (const name of readdirSync(MIGRATIONS)
    .filter((file) => file.endsWith('.sql') && (until === undefined || file <= until))
    .sort()) {
    const sql = readFileSync(join(MIGRATIONS, name), 'utf8');
    const sha256 = createHash('sha256').update(sql).digest('hex');
    const before = known.get(name);
    if (before !== undefined && before !== sha256)
      throw new Error(`the migration ${name} was changed after it had been applied`);
    if (before !== undefined) continue;
    db.transaction(() => {
      db.exec(sql);
      const broken = db.pragma('foreign_key_check') as readonly unknown[];
      if (broken.length > 0)
        throw new Error(
          `the migration ${name} leaves broken references: ${JSON.stringify(broken.slice(0, 3))}`,
        );
      db.prepare('INSERT INTO migrations (name, sha256, applied_at) VALUES (?, ?, ?)').run(
        name,
        sha256,
        Date.now(),
      );
    }).immediate();
  }
}

const shared = globalThis as { ableDb?: Db };

/** The app's database, opened once per process. */
export function database(): Db {
  if (!shared.ableDb) {
    mkdirSync(dataDir(), { recursive: true, mode: 0o700 });
    const path = join(dataDir(), DATABASE_FILE);
    shared.ableDb = openDatabase(path);
    // Nobody else on this computer reads answers.
    for (const ending of ['', '-wal', '-shm'])
      if (existsSync(/*turbopackIgnore: true*/ path + ending)) chmodSync(path + ending, 0o600);
  }
  return shared.ableDb;
}

/** The app's database for a server, which keeps nobody waiting for long. */
export function serversDatabase(): Db {
  const db = database();
  db.pragma(`busy_timeout = ${SERVERS_PATIENCE_MS}`);
  return db;
}
