import { notFound } from 'next/navigation';
import { titled } from '@/app/language';
import { database } from '@/server/db/open';
import { figuresApart } from '@/server/results/apart';
import { correctedKeys, keyVersions } from '@/server/results/rescoring';
import { resultsOfTest, testsWithResults } from '@/server/results/testResults';
import { TestResults } from '@/ui/desk/results/TestResults';
import { deskUser, pageUserWho } from '../../../../http';

export const generateMetadata = titled((words) => words.results.title);

export default async function Page({ params }: { params: Promise<{ test: string }> }) {
  const user = await pageUserWho('see-results');
  const testId = Number((await params).test);
  const db = database();
  const test = testsWithResults(db, user).find((one) => one.testId === testId);
  if (!test) notFound();
  return (
    <TestResults
      user={deskUser(user)}
      test={test}
      results={resultsOfTest(db, user, testId)}
      figures={await figuresApart(db, user, testId)}
      otherKeys={keyVersions(db, user, testId).length > 1}
      corrected={correctedKeys(db, user, testId)}
    />
  );
}
