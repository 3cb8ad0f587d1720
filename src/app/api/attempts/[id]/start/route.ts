import { answer, sessionName, student } from '@/app/http';
import { database } from '@/server/db/open';
import { startSealed } from '@/server/delivery/sealed';

export function POST(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(
    async () => startSealed(database(), await student(), (await params).id, await sessionName(), Date.now()),
    true,
  );
}
