import { redirect } from 'next/navigation';
import { firstPage } from '@/ui/desk/pages';
import { currentUser } from './http';

export default async function Home() {
  const user = await currentUser();
  redirect(!user ? '/sign-in' : firstPage(user.role));
}
