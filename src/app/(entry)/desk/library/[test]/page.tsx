import { titled } from '@/app/language';
import { studentsReached } from '@/server/accounts/access';
import { database } from '@/server/db/open';
import { openTry } from '@/server/delivery/tryOut';
import { testInLibrary } from '@/server/library/catalog';
import { TestQuestions } from '@/ui/desk/library/TestQuestions';
import { deskUser, orNotFound, pageUserWho } from '../../../../http';

export const generateMetadata = titled((words) => words.library.title);

export default async function Page({ params }: { params: Promise<{ test: string }> }) {
  const user = await pageUserWho('keep-library');
  const testId = Number((await params).test);
  const test = orNotFound(() => testInLibrary(database(), user, testId));
  const db = database();
  return (
    <TestQuestions
      user={deskUser(user)}
      test={test}
      students={studentsReached(db, user, 'give')}
      trying={openTry(db, user, testId)}
    />
  );
}
