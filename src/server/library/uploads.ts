import { randomUUID } from 'node:crypto';
import { readdirSync, rmSync, statSync } from 'node:fs';
import { appendFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { PackageReport } from '@/core/wire/library';
import { requireAct } from '../accounts/access';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { prepared } from '../db/statements';
import { isFull } from '../db/trouble';
import { Refusal } from '../refusal';
import { inChild } from '../child';
import { workFolder } from './workFolder';

/** Of what was not brought a day after it was begun, nothing is kept. */
const KEPT_MS = 24 * 3_600_000;

const fileOf = (id: string): string => join(workFolder(), id);

interface UploadRow {
  readonly id: string;
  readonly bytes: number;
}

/** Takes away what somebody sent before, and what is older than a day. */
function forgetOld(db: Db, userId: number, now: number): void {
  const old = prepared<[number, number], UploadRow>(
    db,
    'DELETE FROM uploads WHERE user_id = ? OR created_at < ? RETURNING id, bytes',
  ).all(userId, now - KEPT_MS);
  for (const { id } of old) rmSync(fileOf(id), { force: true });
  // And what an end in the middle of something has left.
  for (const name of readdirSync(workFolder())) {
    const left = statSync(fileOf(name), { throwIfNoEntry: false });
    if (left && left.mtimeMs < now - KEPT_MS) rmSync(fileOf(name), { force: true });
  }
}

/**
 * Somebody is going to send a package. One at a time: what they sent before is gone.
 * @throws Refusal `not-yours`
 */
export function beginUpload(
  db: Db,
  by: User,
  { name, bytes }: { readonly name: string; readonly bytes: number },
  now: number,
): { readonly id: string } {
  requireAct(by, 'keep-library');
  forgetOld(db, by.id, now);
  const id = randomUUID();
  prepared(db, 'INSERT INTO uploads (id, user_id, name, bytes, created_at) VALUES (?, ?, ?, ?, ?)').run(
    id,
    by.id,
    name,
    bytes,
    now,
  );
  return { id };
}

function uploadOf(db: Db, by: User, id: string): UploadRow {
  requireAct(by, 'keep-library');
  const row = prepared<[string, number], UploadRow>(
    db,
    'SELECT id, bytes FROM uploads WHERE id = ? AND user_id = ?',
  ).get(id, by.id);
  if (!row) throw new Refusal('not-found', 404);
  return row;
}

const received = (id: string): number => statSync(fileOf(id), { throwIfNoEntry: false })?.size ?? 0;

/**
 * Takes the next piece. One that is here already changes nothing, so a piece may be sent again.
 * @param at where it begins, in bytes from 0
 * @returns how much is here now
 * @throws Refusal `not-found`; `bad-input` for a piece that leaves a gap, or more than was said; `disk-full`
 */
export async function putPiece(
  db: Db,
  by: User,
  id: string,
  at: number,
  piece: Uint8Array,
): Promise<{ readonly received: number }> {
  const { bytes } = uploadOf(db, by, id);
  const here = received(id);
  if (at + piece.length <= here) return { received: here };
  if (at !== here || at + piece.length > bytes) throw new Refusal('bad-input', 400);
  try {
    await appendFile(fileOf(id), piece, { mode: 0o600 });
  } catch (error) {
    if (isFull(error)) throw new Refusal('disk-full', 507);
    throw error;
  }
  return { received: here + piece.length };
}

/**
 * Looks at what was sent, or (`bring`) brings it into the library; in a process of its own.
 * @throws Refusal `not-found`; `bad-input` before all of it is here; `busy`, `cannot-be-read`
 */
export async function readUpload(
  db: Db,
  by: User,
  id: string,
  bring: boolean,
  run: typeof inChild = inChild,
): Promise<PackageReport> {
  const { bytes } = uploadOf(db, by, id);
  if (received(id) !== bytes) throw new Refusal('bad-input', 400);
  const said = await run('package-import', [fileOf(id), '--json', ...(bring ? ['--apply'] : [])]);
  const report = JSON.parse(said) as PackageReport;
  // What a file is called where it lies here is nothing to anybody.
  const problems = report.problems.map((one) => (one.file === fileOf(id) ? { ...one, file: '' } : one));
  if (bring && report.ok) forgetOld(db, by.id, 0);
  return { ...report, problems };
}
