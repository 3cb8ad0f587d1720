import { actsOf } from '@/core/access/access';
import { titled } from '@/app/language';
import { database } from '@/server/db/open';
import { whatIsErased } from '@/server/people/erase';
import { personPage } from '@/server/people/person';
import { Person } from '@/ui/desk/people/Person';
import { deskUser, orNotFound, pageUserWho } from '../../../../http';

export const generateMetadata = titled((words) => words.person.title);

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const user = await pageUserWho('give');
  const id = Number((await params).id);
  const db = database();
  const person = orNotFound(() => personPage(db, user, id));
  const erased = actsOf(user.role).includes('keep-people') ? whatIsErased(db, user, id) : null;
  return <Person user={deskUser(user)} person={person} erased={erased} />;
}
