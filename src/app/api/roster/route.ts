import type { RosterReport } from '@/core/wire/desk';
import { answer, whoMay } from '@/app/http';
import { UnreadablePackage } from '@/core/qti/package';
import { UnreadableRoster } from '@/core/roster/read';
import { logSecurity } from '@/server/accounts/securityLog';
import { database } from '@/server/db/open';
import { filesOfZip } from '@/server/library/files';
import { Refusal } from '@/server/refusal';
import { bringRoster } from '@/server/roster/roster';

/** A roster as one archive: what it would do, or (`?apply`) done. What is wrong with it is in the answer, by file and line. */
export function POST(request: Request) {
  return answer(async (): Promise<RosterReport> => {
    const by = await whoMay('keep-people');
    const bytes = new Uint8Array(await request.arrayBuffer());
    if (bytes.length === 0) throw new Refusal('bad-input', 400);
    const [db, apply, now] = [database(), new URL(request.url).searchParams.has('apply'), Date.now()];
    try {
      const report = await bringRoster(db, filesOfZip(bytes, 'roster.zip'), { apply, now });
      if (apply && report.ok) logSecurity(db, 'roster-brought', now, { userId: by.id });
      return report;
    } catch (error) {
      if (!(error instanceof UnreadablePackage || error instanceof UnreadableRoster)) throw error;
      return { ok: false, add: {}, change: {}, end: {}, problems: error.problems };
    }
  }, true);
}
