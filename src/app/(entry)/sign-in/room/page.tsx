import { titled } from '@/app/language';
import { SignInToRoom } from '@/ui/entry/SignInToRoom';

export const generateMetadata = titled((words) => words.room.title);

export default function Page() {
  return <SignInToRoom />;
}
