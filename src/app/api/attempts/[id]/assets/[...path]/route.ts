import { answer, student } from '@/app/http';
import { database } from '@/server/db/open';
import { attemptAsset } from '@/server/delivery/content';

export function GET(_request: Request, { params }: { params: Promise<{ id: string; path: string[] }> }) {
  return answer(async () => {
    const { id, path } = await params;
    const { mediaType, bytes } = attemptAsset(database(), await student(), id, path.join('/'), Date.now());
    return new Response(new Uint8Array(bytes), {
      headers: {
        'content-type': mediaType,
        'cache-control': 'private, max-age=31536000, immutable',
        'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox",
        'x-content-type-options': 'nosniff',
      },
    });
  });
}
