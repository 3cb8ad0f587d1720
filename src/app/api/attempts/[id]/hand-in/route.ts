import { answer, body, student } from '@/app/http';
import { handInRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { handIn } from '@/server/delivery/delivery';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const user = await student();
    const input = await body(request, handInRequest);
    handIn(database(), user, (await params).id, input.device, input.reason, Date.now());
  }, true);
}
