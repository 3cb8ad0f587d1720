import { answer, whoMay } from '@/app/http';
import { database } from '@/server/db/open';
import { Refusal } from '@/server/refusal';
import { bringSentRoster } from '@/server/roster/sent';

/** A roster as one archive: what it would do, or (`?apply`) done. What is wrong with it is in the answer, by file and line. */
export function POST(request: Request) {
  return answer(async () => {
    const by = await whoMay('keep-people');
    const bytes = new Uint8Array(await request.arrayBuffer());
    if (bytes.length === 0) throw new Refusal('bad-input', 400);
    const apply = new URL(request.url).searchParams.has('apply');
    return bringSentRoster(database(), by, { bytes, apply }, Date.now());
  }, true);
}
