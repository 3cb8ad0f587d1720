import { redirect } from 'next/navigation';
import { currentUser } from './http';

export default async function Home() {
  const user = await currentUser();
  redirect(!user ? '/sign-in' : user.role === 'student' ? '/tests' : '/desk');
}
