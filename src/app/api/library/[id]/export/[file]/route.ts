import { answer, asFile, whoMay } from '@/app/http';
import { database } from '@/server/db/open';
import { exportVersion } from '@/server/library/exported';

/** A version as a QTI 3.0 package, under whatever name it is asked for. */
export function GET(_request: Request, { params }: { params: Promise<{ id: string; file: string }> }) {
  return answer(async () => {
    const by = await whoMay('keep-library');
    const { bytes, content } = await exportVersion(database(), by, Number((await params).id));
    return asFile(content, 'application/zip', { bytes });
  });
}
