import { answer, body, whoMay } from '@/app/http';
import { needsRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { setNeeds } from '@/server/people/person';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const by = await whoMay('give');
    const { needs } = await body(request, needsRequest);
    setNeeds(database(), by, Number((await params).id), needs, Date.now());
  }, true);
}
