import { titled } from '@/app/language';
import { doneTo } from '@/server/accounts/supervisionLog';
import { database } from '@/server/db/open';
import { Log } from '@/ui/desk/Log';
import { deskUser, pageUserWho } from '../../../http';

export const generateMetadata = titled((words) => words.desk.log.title);

export default async function Page() {
  const user = await pageUserWho('supervise');
  return <Log user={deskUser(user)} rows={doneTo(database(), user)} />;
}
