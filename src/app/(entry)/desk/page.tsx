import { titled } from '@/app/language';
import { delayedNow } from '@/server/accounts/signIn';
import { studentsHere } from '@/server/accounts/users';
import { database } from '@/server/db/open';
import { openRooms, roomTests } from '@/server/delivery/rooms';
import { classOverview } from '@/server/results/results';
import { Desk } from '@/ui/desk/Desk';
import { pageUser } from '../../http';

export const generateMetadata = titled((words) => words.desk.title);

export default async function Page() {
  const user = await pageUser('teacher', 'proctor');
  const db = database();
  return (
    <Desk
      name={user.displayName}
      rows={classOverview(db)}
      rooms={{ rooms: openRooms(db), tests: roomTests(db) }}
      signingIn={{ delayed: delayedNow(db), students: studentsHere(db) }}
    />
  );
}
