import { answer, whoMay } from '@/app/http';
import { database } from '@/server/db/open';
import { takeBack } from '@/server/delivery/giving';

export function POST(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => takeBack(database(), await whoMay('give'), Number((await params).id)), true);
}
