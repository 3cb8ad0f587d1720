import { titled } from '@/app/language';
import { SignIn } from '@/ui/entry/SignIn';

export const generateMetadata = titled((words) => words.signIn.title);

export default function Page() {
  return <SignIn />;
}
