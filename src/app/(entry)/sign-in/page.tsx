import english from '@messages/en.json';
import { SignIn } from '@/ui/entry/SignIn';

export const metadata = { title: english.signIn.title };

export default function Page() {
  return <SignIn />;
}
