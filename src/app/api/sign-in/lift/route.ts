import { answer, body, whoMay } from '@/app/http';
import { liftRequest } from '@/core/wire/requests';
import { liftDelay } from '@/server/accounts/signIn';
import { database } from '@/server/db/open';

export function POST(request: Request) {
  return answer(async () => {
    const by = await whoMay('supervise');
    const { name } = await body(request, liftRequest);
    liftDelay(database(), name, by, Date.now());
  }, true);
}
