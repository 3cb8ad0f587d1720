import { answer, body, student } from '@/app/http';
import { stopRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { stopAttempt } from '@/server/delivery/delivery';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const user = await student();
    const input = await body(request, stopRequest);
    stopAttempt(database(), user, (await params).id, input.device, Date.now());
  }, true);
}
