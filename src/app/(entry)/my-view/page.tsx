import english from '@messages/en.json';
import { setNeedsOf } from '@/server/accounts/users';
import { database } from '@/server/db/open';
import { pageUser } from '../../http';
import { MyViewPage } from './MyViewPage';
import { sampleTest } from './sample';

export const metadata = { title: english.myView.title };

export default async function Page() {
  const user = await pageUser('student');
  return (
    <MyViewPage
      name={user.displayName}
      needs={user.needs}
      set={setNeedsOf(database(), user.id)}
      sample={sampleTest()}
    />
  );
}
