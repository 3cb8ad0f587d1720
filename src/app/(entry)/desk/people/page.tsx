import { titled } from '@/app/language';
import { peopleHere } from '@/server/accounts/classes';
import { database } from '@/server/db/open';
import { People } from '@/ui/desk/people/People';
import { deskUser, pageUserWho } from '../../../http';

export const generateMetadata = titled((words) => words.people.title);

export default async function Page() {
  const user = await pageUserWho('keep-people');
  return <People user={deskUser(user)} self={user.id} people={peopleHere(database(), user)} />;
}
