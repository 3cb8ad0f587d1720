import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { RosterReport } from '@/core/wire/people';
import { requireAct } from '../accounts/access';
import { logSecurity } from '../accounts/securityLog';
import type { User } from '../accounts/users';
import { inChild } from '../child';
import type { Db } from '../db/open';
import { workFolder } from '../library/workFolder';

/** What the archive is called in what is said of it. */
const NAME = 'roster.zip';

/**
 * Looks at a roster that was sent as one archive, or (`apply`) brings it; in a process of its own, as it may unpack to very much.
 * @throws Refusal `not-yours`; `busy`, `cannot-be-read`
 */
export async function bringSentRoster(
  db: Db,
  by: User,
  { bytes, apply }: { readonly bytes: Uint8Array; readonly apply: boolean },
  now: number,
  run: typeof inChild = inChild,
): Promise<RosterReport> {
  requireAct(by, 'keep-people');
  const file = join(workFolder(), `${randomUUID()}.zip`);
  try {
    await writeFile(file, bytes, { mode: 0o600 });
    const said = await run('roster', [file, '--json', ...(apply ? ['--apply'] : [])]);
    const report = JSON.parse(said) as RosterReport;
    if (apply && report.ok) logSecurity(db, 'roster-brought', now, { userId: by.id });
    // Where it lies here is nothing to anybody.
    const problems = report.problems.map((one) => (one.file === file ? { ...one, file: NAME } : one));
    return { ...report, problems };
  } finally {
    rmSync(file, { force: true });
  }
}
