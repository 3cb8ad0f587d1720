import { notFound, redirect } from 'next/navigation';
import { database } from '@/server/db/open';
import { Refusal } from '@/server/refusal';
import { resultFor } from '@/server/results/results';
import { Score } from '@/ui/entry/Score';
import { pageUser } from '../../../http';

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const user = await pageUser('student');
  const { id } = await params;
  try {
    const result = resultFor(database(), user, id);
    if (!result) redirect(`/attempts/${id}`);
    return <Score name={user.displayName} needs={user.needs} result={result} />;
  } catch (error) {
    if (error instanceof Refusal) notFound();
    throw error;
  }
}
