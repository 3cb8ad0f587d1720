import { currentUser } from '@/app/http';
import { titled } from '@/app/language';
import { database } from '@/server/db/open';
import { practiceTests } from '@/server/delivery/practice';
import { Practice } from '@/ui/entry/Practice';

export const generateMetadata = titled((words) => words.practice.title);

export default async function Page() {
  const user = await currentUser();
  return (
    <Practice
      signedInAs={user && !user.guest ? user.displayName : null}
      needs={user?.needs}
      tests={practiceTests(database())}
    />
  );
}
