import { titled } from '@/app/language';
import { actsOf } from '@/core/access/access';
import { database } from '@/server/db/open';
import { questionsToMark } from '@/server/marking/queue';
import { MarkingList } from '@/ui/desk/marking/MarkingList';
import { pageUserWho } from '../../../http';

export const generateMetadata = titled((words) => words.marking.title);

export default async function Page() {
  const user = await pageUserWho('mark');
  return (
    <MarkingList
      name={user.displayName}
      acts={actsOf(user.role)}
      questions={questionsToMark(database(), user)}
    />
  );
}
