import { answer, whoMay } from '@/app/http';
import { database } from '@/server/db/open';
import { libraryAsset } from '@/server/library/question';
import { assetResponse } from '../../../../asset';

export function GET(_request: Request, { params }: { params: Promise<{ id: string; path: string[] }> }) {
  return answer(async () => {
    const by = await whoMay('keep-library');
    const { id, path } = await params;
    return assetResponse(libraryAsset(database(), by, Number(id), path.join('/')));
  });
}
