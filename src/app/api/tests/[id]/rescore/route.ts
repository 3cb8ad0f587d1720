import { answer, body, whoMay } from '@/app/http';
import { rescoreRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { rescore } from '@/server/results/rescoring';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const by = await whoMay('see-results');
    const asked = await body(request, rescoreRequest);
    return rescore(database(), by, Number((await params).id), asked, Date.now());
  }, true);
}
