import { titled } from '@/app/language';
import { redirect } from 'next/navigation';
import { database } from '@/server/db/open';
import { resultFor } from '@/server/results/results';
import { Score } from '@/ui/entry/Score';
import { orNotFound, pageTaker } from '../../../../http';

export const generateMetadata = titled((words) => words.score.title);

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { user, tries } = await pageTaker();
  const { id } = await params;
  const result = orNotFound(() => resultFor(database(), user, id));
  if (!result) redirect(`/attempts/${id}`);
  return (
    <Score
      name={user.displayName}
      needs={user.needs}
      result={result}
      attemptId={id}
      tries={tries}
      answersHref={`/attempts/${id}/answers`}
    />
  );
}
