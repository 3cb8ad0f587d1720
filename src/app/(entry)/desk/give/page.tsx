import { titled } from '@/app/language';
import { studentsReached } from '@/server/accounts/access';
import { classesReached } from '@/server/accounts/classes';
import { database } from '@/server/db/open';
import { givableTests, givenBy } from '@/server/delivery/giving';
import { Give } from '@/ui/desk/give/Give';
import { deskUser, pageUserWho } from '../../../http';

export const generateMetadata = titled((words) => words.give.title);

export default async function Page() {
  const user = await pageUserWho('give');
  const db = database();
  return (
    <Give
      user={deskUser(user)}
      tests={givableTests(db, user)}
      classes={classesReached(db, user, 'give')}
      students={studentsReached(db, user, 'give')}
      given={givenBy(db, user)}
    />
  );
}
