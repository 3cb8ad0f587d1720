import { titled } from '@/app/language';
import { actsOf } from '@/core/access/access';
import { database } from '@/server/db/open';
import { testsWithResults } from '@/server/results/testResults';
import { ResultsList } from '@/ui/desk/results/ResultsList';
import { pageUserWho } from '../../../http';

export const generateMetadata = titled((words) => words.results.title);

export default async function Page() {
  const user = await pageUserWho('see-results');
  return (
    <ResultsList
      name={user.displayName}
      acts={actsOf(user.role)}
      tests={testsWithResults(database(), user)}
    />
  );
}
