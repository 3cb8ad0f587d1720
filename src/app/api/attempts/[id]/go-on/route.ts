import { answer, body, student } from '@/app/http';
import { goOnRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { goOn } from '@/server/delivery/stages';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const user = await student();
    const { device, move } = await body(request, goOnRequest);
    return goOn(database(), user, { attemptId: (await params).id, move }, device, Date.now());
  }, true);
}
