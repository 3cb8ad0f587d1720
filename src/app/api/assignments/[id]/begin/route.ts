import { answer, student } from '@/app/http';
import { database } from '@/server/db/open';
import { beginAttempt } from '@/server/delivery/delivery';

export function POST(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(
    async () => beginAttempt(database(), await student(), Number((await params).id), Date.now()),
    true,
  );
}
