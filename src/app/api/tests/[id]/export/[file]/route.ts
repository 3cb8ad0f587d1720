import { answer, asFile, origin, whoMay } from '@/app/http';
import { database } from '@/server/db/open';
import { Refusal } from '@/server/refusal';
import { workOutApart } from '@/server/results/apart';
import { resultsArchive } from '@/server/results/exports';

/** A file to be kept: the tables as CSV, or every attempt as a document of results. */
export function GET(_request: Request, { params }: { params: Promise<{ id: string; file: string }> }) {
  return answer(async () => {
    const by = await whoMay('see-results');
    const { id, file } = await params;
    const [db, testId] = [database(), Number(id)];
    switch (file) {
      case 'results.csv':
        return asFile(await workOutApart(db, by, testId, 'students'), 'text/csv; charset=utf-8', {
          name: file,
        });
      case 'questions.csv':
        return asFile(await workOutApart(db, by, testId, 'questions'), 'text/csv; charset=utf-8', {
          name: file,
        });
      case 'results.zip':
        return asFile(resultsArchive(db, by, testId, await origin()), 'application/zip', { name: file });
      default:
        throw new Refusal('not-found', 404);
    }
  });
}
