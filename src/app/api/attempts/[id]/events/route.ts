import { answer, body, student } from '@/app/http';
import { batch } from '@/core/attempt/events';
import { database } from '@/server/db/open';
import { saveBatch } from '@/server/delivery/delivery';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const input = await body(request, batch);
    return saveBatch(database(), await student(), (await params).id, input, Date.now());
  }, true);
}
