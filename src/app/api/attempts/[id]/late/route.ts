import { answer, body, whoMay } from '@/app/http';
import { judgeRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { judgeLate } from '@/server/delivery/late';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const by = await whoMay('supervise');
    const { item, counts } = await body(request, judgeRequest);
    judgeLate(database(), by, { attemptId: (await params).id, ref: item, counts }, Date.now());
  }, true);
}
