import { answer, body, client, withSession } from '@/app/http';
import { roomRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { enterRoom } from '@/server/delivery/rooms';

export function POST(request: Request) {
  return answer(async () => {
    const input = await body(request, roomRequest);
    const { address } = await client();
    const { assignmentId, ...session } = enterRoom(database(), input, address, Date.now());
    return withSession({ assignmentId }, session);
  }, true);
}
