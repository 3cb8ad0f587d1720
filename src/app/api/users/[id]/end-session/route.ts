import { answer, body, whoMay } from '@/app/http';
import { endSessionRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { endSessions } from '@/server/people/person';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const by = await whoMay('keep-people');
    const { session } = await body(request, endSessionRequest);
    endSessions(database(), by, Number((await params).id), session, Date.now());
  }, true);
}
