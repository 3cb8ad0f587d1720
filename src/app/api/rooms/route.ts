import { answer, body, whoMay } from '@/app/http';
import { openRoomRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { openRoom } from '@/server/delivery/rooms';

export function POST(request: Request) {
  return answer(async () => {
    const by = await whoMay('supervise');
    const { testId } = await body(request, openRoomRequest);
    return openRoom(database(), by, testId, Date.now());
  }, true);
}
