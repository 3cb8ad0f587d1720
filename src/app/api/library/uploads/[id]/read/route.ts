import { answer, body, whoMay } from '@/app/http';
import { readPackageRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { readUpload } from '@/server/library/uploads';

/** What was sent, looked at or brought into the library. What is wrong with it is in the answer, by file and line. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const by = await whoMay('keep-library');
    const { bring } = await body(request, readPackageRequest);
    return readUpload(database(), by, (await params).id, bring);
  }, true);
}
