import { answer, body, whoMay } from '@/app/http';
import { uploadRequest } from '@/core/wire/requests';
import { database } from '@/server/db/open';
import { beginUpload } from '@/server/library/uploads';

export function POST(request: Request) {
  return answer(async () => {
    const by = await whoMay('keep-library');
    return beginUpload(database(), by, await body(request, uploadRequest), Date.now());
  }, true);
}
