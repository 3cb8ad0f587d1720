import { answer, whoMay } from '@/app/http';
import { database } from '@/server/db/open';
import { tryGiven } from '@/server/delivery/tryOut';

export function POST(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(
    async () => tryGiven(database(), await whoMay('give'), Number((await params).id), Date.now()),
    true,
  );
}
