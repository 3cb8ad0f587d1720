import { titled } from '@/app/language';
import { redirect } from 'next/navigation';
import { database } from '@/server/db/open';
import { answersFor } from '@/server/results/results';
import { AnswersPage } from './AnswersPage';
import { orNotFound, pageTaker } from '../../../http';

export const generateMetadata = titled((words) => words.answers.title);

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { user } = await pageTaker();
  const { id } = await params;
  const answers = orNotFound(() => answersFor(database(), user, id));
  if (!answers) redirect(`/attempts/${id}`);
  return <AnswersPage name={user.displayName} needs={user.needs} attemptId={id} {...answers} />;
}
