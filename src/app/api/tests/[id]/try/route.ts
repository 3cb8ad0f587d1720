import { answer, body, whoMay } from '@/app/http';
import { tryRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { tryTest } from '@/server/delivery/tryOut';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const by = await whoMay('keep-library');
    const asked = await body(request, tryRequest);
    return tryTest(database(), by, Number((await params).id), asked, Date.now());
  }, true);
}
