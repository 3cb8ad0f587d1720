import { answer, body, whoMay } from '@/app/http';
import { slipsRequest } from '@/core/wire/requests';
import { newSlips } from '@/server/accounts/passwords';
import { database } from '@/server/db/open';

export function POST(request: Request) {
  return answer(async () => {
    const by = await whoMay('keep-people');
    const asked = await body(request, slipsRequest);
    return { slips: await newSlips(database(), by, asked, Date.now()) };
  }, true);
}
