import { answer, body, whoMay } from '@/app/http';
import { endRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { moveAttempt } from '@/server/delivery/supervise';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const by = await whoMay('supervise');
    const { reason } = await body(request, endRequest);
    moveAttempt(database(), by, (await params).id, reason, Date.now());
  }, true);
}
