import { answer, studentAtDoor } from '@/app/http';
import { database } from '@/server/db/open';
import { directionsAsset } from '@/server/delivery/content';
import { assetResponse } from '../../../../asset';

export function GET(_request: Request, { params }: { params: Promise<{ id: string; path: string[] }> }) {
  return answer(async () => {
    const { id, path } = await params;
    return assetResponse(directionsAsset(database(), await studentAtDoor(), Number(id), path.join('/')));
  });
}
