import { answer, body, withSession } from '@/app/http';
import { practiceRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { beginPractice } from '@/server/delivery/practice';

export function POST(request: Request) {
  return answer(async () => {
    const { testId } = await body(request, practiceRequest);
    const { assignmentId, ...session } = beginPractice(database(), testId, Date.now());
    return withSession({ assignmentId }, session);
  }, true);
}
