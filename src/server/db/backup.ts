import { chmodSync, copyFileSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { DATABASE_FILE, type Db } from './open';

/** A backup that is no whole database, or a folder that cannot be restored into. */
export class BadBackup extends Error {}

const NAME = /^able-compass-\d{8}T\d{9}Z\.sqlite$/;
const stamp = (now: number) => new Date(now).toISOString().replaceAll(/[-:.]/g, '');

/** Backups in a folder, oldest first. */
export const backupsIn = (folder: string): string[] =>
  existsSync(folder)
    ? readdirSync(folder)
        .filter((name) => NAME.test(name))
        .sort()
    : [];

/** @throws BadBackup unless the file is a whole database of ours */
function checkWhole(path: string): void {
  let db: Db | undefined;
  try {
    db = new Database(path, { readonly: true, fileMustExist: true });
    const [result] = db.pragma('integrity_check') as readonly { integrity_check: string }[];
    if (result?.integrity_check !== 'ok') throw new BadBackup(`${path}: ${result?.integrity_check ?? ''}`);
    db.prepare('SELECT name FROM migrations').all();
  } catch (error) {
    if (error instanceof BadBackup) throw error;
    throw new BadBackup(`${path} is no whole database of Able Compass: ${String(error)}`);
  } finally {
    db?.close();
  }
}

/**
 * Copies the database while it is in use (SQLite's online backup), checks the copy, and only then gives it its name.
 * @param keep how many are kept; older ones go
 * @returns the path of the new backup
 * @throws BadBackup when the copy is not whole; the ones before stay
 */
export async function backUp(db: Db, folder: string, now: number, keep = Infinity): Promise<string> {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const path = join(folder, `able-compass-${stamp(now)}.sqlite`);
  const half = `${path}.part`;
  try {
    await db.backup(half);
    chmodSync(half, 0o600);
    // The copy stands by itself: no journal of its own beside it.
    const copy = new Database(half);
    copy.pragma('journal_mode = DELETE');
    copy.close();
    checkWhole(half);
    renameSync(half, path);
  } finally {
    rmSync(half, { force: true });
  }
  for (const old of backupsIn(folder).slice(0, keep === Infinity ? 0 : -keep)) rmSync(join(folder, old));
  return path;
}

/**
 * Puts a backup in the place of the database; what was there is kept beside it under another name.
 * @returns where what was there is now; null where there was nothing
 * @throws BadBackup when the backup is not whole, or a program has the database open
 */
export function restore(backup: string, dataDir: string, now: number): string | null {
  checkWhole(backup);
  mkdirSync(dataDir, { recursive: true, mode: 0o700 });
  const path = join(dataDir, DATABASE_FILE);
  const fresh = `${path}.part`;
  copyFileSync(backup, fresh);
  chmodSync(fresh, 0o600);
  let aside: string | null = null;
  if (existsSync(path)) {
    closeFor(path);
    aside = join(dataDir, `before-restore-${stamp(now)}.sqlite`);
    renameSync(path, aside);
    // A journal belongs to the file it was written for; none is left by closeFor, and an empty one is worth nothing.
    for (const ending of ['-wal', '-shm']) rmSync(path + ending, { force: true });
  }
  renameSync(fresh, path);
  return aside;
}

/** Takes everything into the file itself. @throws BadBackup while another program uses it */
function closeFor(path: string): void {
  let db: Db | undefined;
  try {
    db = new Database(path, { timeout: 0 });
    // Leaving WAL wants the file for itself alone (SQLite, "Write-Ahead Logging").
    const mode = db.pragma('journal_mode = DELETE', { simple: true });
    if (mode !== 'delete') throw new BadBackup('the database is in use; stop the application first');
  } catch (error) {
    if (error instanceof BadBackup) throw error;
    // By code, not by class: a broken file is what is being restored from, and is put aside as it is; anything else stops.
    const code = String((error as { readonly code?: unknown }).code);
    if (/^SQLITE_(NOTADB|CORRUPT)/.test(code)) return;
    throw new BadBackup(
      /^SQLITE_(BUSY|LOCKED)/.test(code)
        ? 'the database is in use; stop the application first'
        : `the database cannot be put aside (${code})`,
    );
  } finally {
    db?.close();
  }
}
