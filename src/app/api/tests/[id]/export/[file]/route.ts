import { answer, origin, whoMay } from '@/app/http';
import { database } from '@/server/db/open';
import { Refusal } from '@/server/refusal';
import { figuresTable, resultsArchive, studentsTable } from '@/server/results/exports';

/** A file to be kept: the tables as CSV, or every attempt as a document of results. */
export function GET(_request: Request, { params }: { params: Promise<{ id: string; file: string }> }) {
  return answer(async () => {
    const by = await whoMay('see-results');
    const { id, file } = await params;
    const [db, testId] = [database(), Number(id)];
    const kept = (content: string | ReadableStream<Uint8Array>, type: string) =>
      new Response(content, {
        headers: {
          'content-type': type,
          'content-disposition': `attachment; filename="${file}"`,
          'cache-control': 'no-store',
          'x-content-type-options': 'nosniff',
        },
      });
    switch (file) {
      case 'results.csv':
        return kept(studentsTable(db, by, testId), 'text/csv; charset=utf-8');
      case 'questions.csv':
        return kept(figuresTable(db, by, testId), 'text/csv; charset=utf-8');
      case 'results.zip':
        return kept(resultsArchive(db, by, testId, await origin()), 'application/zip');
      default:
        throw new Refusal('not-found', 404);
    }
  });
}
