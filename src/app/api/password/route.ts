import { answer, body, client, currentUser, sessionToken } from '@/app/http';
import { ownPasswordRequest } from '@/core/wire/requests';
import { choosePassword } from '@/server/accounts/passwords';
import { database } from '@/server/db/open';
import { Refusal } from '@/server/refusal';

export function POST(request: Request) {
  return answer(async () => {
    const [user, token] = [await currentUser(), await sessionToken()];
    if (!user || token === null) throw new Refusal('not-signed-in', 401);
    const asked = await body(request, ownPasswordRequest);
    const { address } = await client();
    await choosePassword(database(), user, asked, { token, address }, Date.now());
  }, true);
}
