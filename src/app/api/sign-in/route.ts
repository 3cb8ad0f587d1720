import { answer, body, client, withSession } from '@/app/http';
import { signInRequest } from '@/core/wire/requests';
import { signIn } from '@/server/accounts/signIn';
import { database } from '@/server/db/open';

export function POST(request: Request) {
  return answer(async () => {
    const input = await body(request, signInRequest);
    const { address } = await client();
    const { user, ...session } = await signIn(database(), input, address, Date.now());
    return withSession({ role: user.role }, session);
  }, true);
}
