import { answer, body, whoMay } from '@/app/http';
import { tryAnswerRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { tryAnswer } from '@/server/library/question';

export function POST(request: Request, { params }: { params: Promise<{ id: string; item: string }> }) {
  return answer(async () => {
    const by = await whoMay('keep-library');
    const { responses, drawing } = await body(request, tryAnswerRequest);
    const { id, item } = await params;
    return tryAnswer(database(), by, Number(id), item, responses, drawing);
  }, true);
}
