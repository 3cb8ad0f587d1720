import { titled } from '@/app/language';
import { actsOf } from '@/core/access/access';
import { peopleHere } from '@/server/accounts/classes';
import { database } from '@/server/db/open';
import { People } from '@/ui/desk/people/People';
import { pageUserWho } from '../../../http';

export const generateMetadata = titled((words) => words.people.title);

export default async function Page() {
  const user = await pageUserWho('keep-people');
  return (
    <People
      name={user.displayName}
      acts={actsOf(user.role)}
      self={user.id}
      people={peopleHere(database(), user)}
    />
  );
}
