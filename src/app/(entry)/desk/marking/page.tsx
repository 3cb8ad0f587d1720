import { titled } from '@/app/language';
import { database } from '@/server/db/open';
import { questionsToMark } from '@/server/marking/queue';
import { MarkingList } from '@/ui/desk/marking/MarkingList';
import { deskUser, pageUserWho } from '../../../http';

export const generateMetadata = titled((words) => words.marking.title);

export default async function Page() {
  const user = await pageUserWho('mark');
  return <MarkingList user={deskUser(user)} questions={questionsToMark(database(), user)} />;
}
