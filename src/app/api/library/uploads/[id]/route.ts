import { answer, whoMay } from '@/app/http';
import { database } from '@/server/db/open';
import { putPiece } from '@/server/library/uploads';
import { Refusal } from '@/server/refusal';

/** The next piece of a package, `?at=` so many bytes from its beginning. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const by = await whoMay('keep-library');
    const at = Number(new URL(request.url).searchParams.get('at') ?? 'none');
    const piece = new Uint8Array(await request.arrayBuffer());
    if (!Number.isSafeInteger(at) || at < 0 || piece.length === 0) throw new Refusal('bad-input', 400);
    return putPiece(database(), by, (await params).id, at, piece);
  }, true);
}
