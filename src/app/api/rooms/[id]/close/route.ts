import { answer, whoMay } from '@/app/http';
import { database } from '@/server/db/open';
import { closeRoom } from '@/server/delivery/rooms';

export function POST(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const by = await whoMay('supervise');
    closeRoom(database(), by, Number((await params).id), Date.now());
  }, true);
}
