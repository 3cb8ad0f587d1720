import { answer, body, whoMay } from '@/app/http';
import { releaseRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { release } from '@/server/results/testResults';

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const by = await whoMay('see-results');
    return release(
      database(),
      by,
      Number((await params).id),
      await body(request, releaseRequest),
      Date.now(),
    );
  }, true);
}
