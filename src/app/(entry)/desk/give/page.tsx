import { titled } from '@/app/language';
import { actsOf } from '@/core/access/access';
import { studentsReached } from '@/server/accounts/access';
import { classesReached } from '@/server/accounts/classes';
import { database } from '@/server/db/open';
import { givableTests, givenBy } from '@/server/delivery/giving';
import { Give } from '@/ui/desk/give/Give';
import { pageUserWho } from '../../../http';

export const generateMetadata = titled((words) => words.give.title);

export default async function Page() {
  const user = await pageUserWho('give');
  const db = database();
  return (
    <Give
      name={user.displayName}
      acts={actsOf(user.role)}
      tests={givableTests(db, user)}
      classes={classesReached(db, user, 'give')}
      students={studentsReached(db, user, 'give')}
      given={givenBy(db, user)}
    />
  );
}
