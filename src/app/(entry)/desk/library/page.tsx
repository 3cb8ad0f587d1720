import { titled } from '@/app/language';
import { database } from '@/server/db/open';
import { libraryOf } from '@/server/library/catalog';
import { Library } from '@/ui/desk/library/Library';
import { deskUser, pageUserWho } from '../../../http';

export const generateMetadata = titled((words) => words.library.title);

export default async function Page() {
  const user = await pageUserWho('keep-library');
  return <Library user={deskUser(user)} packages={libraryOf(database(), user)} />;
}
