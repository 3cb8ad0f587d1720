import { titled } from '@/app/language';
import { delayedNow } from '@/server/accounts/signIn';
import { studentsReached } from '@/server/accounts/access';
import { database } from '@/server/db/open';
import { openRooms, roomTests } from '@/server/delivery/rooms';
import { classOverview } from '@/server/results/overview';
import { Desk } from '@/ui/desk/Desk';
import { deskUser, pageUserWho } from '../../http';

export const generateMetadata = titled((words) => words.desk.title);

export default async function Page() {
  const user = await pageUserWho('supervise');
  const db = database();
  return (
    <Desk
      user={deskUser(user)}
      rows={classOverview(db, user)}
      rooms={{ rooms: openRooms(db, user), tests: roomTests(db, user) }}
      signingIn={{ delayed: delayedNow(db, user), students: studentsReached(db, user, 'supervise') }}
    />
  );
}
