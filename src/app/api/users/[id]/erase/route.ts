import { answer, body, whoMay } from '@/app/http';
import { eraseRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { erase } from '@/server/people/erase';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const by = await whoMay('keep-people');
    const { reason } = await body(request, eraseRequest);
    erase(database(), by, Number((await params).id), reason, Date.now());
  }, true);
}
