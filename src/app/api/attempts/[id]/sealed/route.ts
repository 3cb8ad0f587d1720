import { answer, student } from '@/app/http';
import { database } from '@/server/db/open';
import { sealedTest } from '@/server/delivery/sealed';

export function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const bytes = sealedTest(database(), await student(), (await params).id);
    return new Response(new Uint8Array(bytes), {
      headers: {
        'content-type': 'application/octet-stream',
        'content-length': String(bytes.length),
        'cache-control': 'no-store',
      },
    });
  });
}
