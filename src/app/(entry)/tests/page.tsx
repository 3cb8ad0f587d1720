import { titled } from '@/app/language';
import { database } from '@/server/db/open';
import { assignedTests } from '@/server/delivery/assignments';
import { MyTests } from '@/ui/entry/MyTests';
import { pageUser } from '../../http';

export const generateMetadata = titled((words) => words.tests.title);

export default async function Page() {
  const user = await pageUser('student');
  return (
    <MyTests
      name={user.displayName}
      needs={user.needs}
      tests={assignedTests(database(), user.id, user.room?.assignmentId)}
    />
  );
}
