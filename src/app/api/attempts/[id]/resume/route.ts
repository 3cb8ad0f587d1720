import { answer, sessionName, student } from '@/app/http';
import { database } from '@/server/db/open';
import { resumeAttempt } from '@/server/delivery/delivery';

export function POST(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const { id } = await params;
    return resumeAttempt(database(), await student(), id, await sessionName(), Date.now());
  }, true);
}
