import { answer, whoMay } from '@/app/http';
import { database } from '@/server/db/open';
import { deletePackage } from '@/server/library/library';

export function POST(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const by = await whoMay('keep-library');
    deletePackage(database(), by, Number((await params).id));
  }, true);
}
