import { answer, body, whoMay } from '@/app/http';
import { addTimeRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { addTime } from '@/server/delivery/supervise';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const by = await whoMay('supervise');
    addTime(database(), by, (await params).id, await body(request, addTimeRequest), Date.now());
  }, true);
}
