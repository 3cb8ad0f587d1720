import { answer, whoMay } from '@/app/http';
import { database } from '@/server/db/open';
import { release } from '@/server/delivery/supervise';

export function POST(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(
    async () => release(database(), await whoMay('supervise'), (await params).id, Date.now()),
    true,
  );
}
