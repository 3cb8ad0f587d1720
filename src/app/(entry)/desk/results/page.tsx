import { titled } from '@/app/language';
import { database } from '@/server/db/open';
import { testsWithResults } from '@/server/results/testResults';
import { ResultsList } from '@/ui/desk/results/ResultsList';
import { deskUser, pageUserWho } from '../../../http';

export const generateMetadata = titled((words) => words.results.title);

export default async function Page() {
  const user = await pageUserWho('see-results');
  return <ResultsList user={deskUser(user)} tests={testsWithResults(database(), user)} />;
}
