import { answer, studentAtDoor } from '@/app/http';
import { database } from '@/server/db/open';
import { assignedTest } from '@/server/delivery/assignments';

/** Whether a test can be begun: asked again and again by whoever waits to be let in. */
export function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const { waits, window } = assignedTest(database(), await studentAtDoor(), Number((await params).id));
    return { waits, window };
  });
}
