import { answer, body, whoMay } from '@/app/http';
import { readNeedsRequest } from '@/core/wire/requests';
import { readNeedsFile } from '@/server/people/needsFiles';

/** Looks at a file of needs; nothing is set by it. */
export function POST(request: Request) {
  return answer(async () => {
    const by = await whoMay('give');
    return readNeedsFile(by, (await body(request, readNeedsRequest)).text);
  }, true);
}
