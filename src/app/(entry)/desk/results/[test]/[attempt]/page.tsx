import { notFound } from 'next/navigation';
import { titled } from '@/app/language';
import { database } from '@/server/db/open';
import { answersOf } from '@/server/results/results';
import { resultsOfTest } from '@/server/results/testResults';
import { deskUser, orNotFound, pageUserWho } from '../../../../../http';
import { StudentAnswersPage } from './StudentAnswersPage';

export const generateMetadata = titled((words) => words.results.title);

export default async function Page({ params }: { params: Promise<{ test: string; attempt: string }> }) {
  const user = await pageUserWho('see-results');
  const { test, attempt } = await params;
  const db = database();
  const answers = orNotFound(() => answersOf(db, user, attempt));
  const student = resultsOfTest(db, user, Number(test)).find((one) => one.attemptId === attempt)?.student;
  if (!answers || student === undefined) notFound();
  return (
    <StudentAnswersPage
      user={deskUser(user)}
      student={student}
      testId={Number(test)}
      attemptId={attempt}
      {...answers}
    />
  );
}
