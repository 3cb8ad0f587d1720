import { answer, body, whoMay } from '@/app/http';
import { marksRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { mark } from '@/server/marking/marking';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const by = await whoMay('mark');
    const { item, points, note } = await body(request, marksRequest);
    mark(database(), by, { attemptId: (await params).id, ref: item, points, note }, Date.now());
  }, true);
}
