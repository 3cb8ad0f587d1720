import { answer, body, student } from '@/app/http';
import { myViewRequest } from '@/core/wire/requests';
import { keepChosenView } from '@/server/accounts/users';
import { database } from '@/server/db/open';

export function POST(request: Request) {
  return answer(async () => {
    const user = await student();
    const { view } = await body(request, myViewRequest);
    keepChosenView(database(), user.id, view);
  }, true);
}
