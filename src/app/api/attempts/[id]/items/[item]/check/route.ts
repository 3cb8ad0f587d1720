import { answer, body, student } from '@/app/http';
import { checkRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { checkItem } from '@/server/delivery/checking';

export function POST(request: Request, { params }: { params: Promise<{ id: string; item: string }> }) {
  return answer(async () => {
    const user = await student();
    const input = await body(request, checkRequest);
    const { id, item } = await params;
    const question = { attemptId: id, item, by: input.by };
    return checkItem(database(), user, question, input.device, Date.now());
  }, true);
}
