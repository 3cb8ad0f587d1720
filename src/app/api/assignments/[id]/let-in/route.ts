import { answer, whoMay } from '@/app/http';
import { database } from '@/server/db/open';
import { letIn } from '@/server/delivery/supervise';

export function POST(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(
    async () => letIn(database(), await whoMay('supervise'), Number((await params).id), Date.now()),
    true,
  );
}
