import { redirect } from 'next/navigation';
import { titled } from '@/app/language';
import { OwnPassword } from '@/ui/entry/OwnPassword';
import { currentUser } from '../../http';

export const generateMetadata = titled((words) => words.password.titleChange);

export default async function Page() {
  const user = await currentUser();
  if (!user) redirect('/sign-in');
  if (user.guest || user.room) redirect('/');
  return (
    <OwnPassword
      name={user.displayName}
      signInName={user.signInName}
      needs={user.needs}
      must={user.mustChange}
    />
  );
}
