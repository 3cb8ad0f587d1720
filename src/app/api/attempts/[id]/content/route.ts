import { answer, student } from '@/app/http';
import { database } from '@/server/db/open';
import { attemptContent } from '@/server/delivery/content';

export function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => attemptContent(database(), await student(), (await params).id, Date.now()));
}
