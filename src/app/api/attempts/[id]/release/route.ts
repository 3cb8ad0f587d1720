import { answer, supervisor } from '@/app/http';
import { database } from '@/server/db/open';
import { release } from '@/server/delivery/supervise';

export function POST(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => release(database(), await supervisor(), (await params).id, Date.now()), true);
}
