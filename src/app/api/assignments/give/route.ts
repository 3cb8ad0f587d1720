import { answer, body, whoMay } from '@/app/http';
import { giveRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { give } from '@/server/delivery/giving';

export function POST(request: Request) {
  return answer(async () => {
    const by = await whoMay('give');
    return give(database(), by, await body(request, giveRequest), Date.now());
  }, true);
}
