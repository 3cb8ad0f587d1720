import { answer, asFile, origin, whoMay } from '@/app/http';
import { database } from '@/server/db/open';
import { handOut } from '@/server/people/handOut';
import { needsFile } from '@/server/people/needsFiles';
import { Refusal } from '@/server/refusal';

/** A file to be kept: everything there is of a person, or a student's needs as an AfA PNP profile. */
export function GET(_request: Request, { params }: { params: Promise<{ id: string; file: string }> }) {
  return answer(async () => {
    const by = await whoMay('give');
    const { id, file } = await params;
    const [db, userId] = [database(), Number(id)];
    switch (file) {
      case 'needs.xml':
        return asFile(needsFile(db, by, userId, 'xml'), 'application/xml; charset=utf-8', { name: file });
      case 'needs.json':
        return asFile(needsFile(db, by, userId, 'json'), 'application/json', { name: file });
      case 'person.zip':
        return asFile(handOut(db, by, userId, await origin(), Date.now()), 'application/zip', { name: file });
      default:
        throw new Refusal('not-found', 404);
    }
  });
}
