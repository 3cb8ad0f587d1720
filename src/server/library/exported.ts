import { createReadStream, rmSync, statSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { requireAct } from '../accounts/access';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { inChild } from '../child';
import { workFolder } from './workFolder';
import { filesOfVersion } from './library';

/** A file on its way to whoever asked for it. */
export interface Sent {
  readonly bytes: number;
  readonly content: ReadableStream<Uint8Array>;
}

/**
 * A version written again as QTI 3.0 (core/qti/exportPackage), made in a process of its own and sent from the disk.
 * @throws Refusal `not-yours`, `not-found`, `no-sources`, `busy`, `cannot-be-read`
 */
export async function exportVersion(db: Db, by: User, packageId: number): Promise<Sent> {
  requireAct(by, 'keep-library');
  // Refused before anything is run.
  filesOfVersion(db, packageId);
  const file = join(workFolder(), `${randomUUID()}.zip`);
  try {
    await inChild('package-export', ['--version', String(packageId), '--out', file]);
    const stream = createReadStream(file);
    const bytes = statSync(file).size;
    // It is open: its name can go, and with it all that is left of it once it is sent.
    await new Promise<void>((resolve, reject) => {
      stream.once('open', () => resolve());
      stream.once('error', reject);
    });
    return { bytes, content: Readable.toWeb(stream) as ReadableStream<Uint8Array> };
  } finally {
    rmSync(file, { force: true });
  }
}
