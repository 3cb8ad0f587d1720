import { currentWords, titled } from '@/app/language';
import { setNeedsOf } from '@/server/accounts/users';
import { database } from '@/server/db/open';
import { pageUser } from '../../http';
import { MyViewPage } from './MyViewPage';
import { sampleTest } from './sample';

export const generateMetadata = titled((words) => words.myView.title);

export default async function Page() {
  const user = await pageUser('student');
  return (
    <MyViewPage
      name={user.displayName}
      needs={user.needs}
      set={setNeedsOf(database(), user.id)}
      sample={sampleTest(await currentWords())}
    />
  );
}
