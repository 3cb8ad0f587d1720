import { answer, studentOrReader } from '@/app/http';
import { database } from '@/server/db/open';
import { attemptAsset } from '@/server/delivery/content';
import { assetResponse } from '../../../../asset';

export function GET(_request: Request, { params }: { params: Promise<{ id: string; path: string[] }> }) {
  return answer(async () => {
    const { id, path } = await params;
    return assetResponse(attemptAsset(database(), await studentOrReader(id), id, path.join('/'), Date.now()));
  });
}
