import { SignIn } from '@/ui/entry/SignIn';

export default function Page() {
  return <SignIn />;
}
