import { titled } from '@/app/language';
import { database } from '@/server/db/open';
import { questionInLibrary } from '@/server/library/question';
import { deskUser, orNotFound, pageUserWho } from '../../../../../http';
import { ItemPage } from './ItemPage';

export const generateMetadata = titled((words) => words.library.title);

export default async function Page({ params }: { params: Promise<{ test: string; item: string }> }) {
  const user = await pageUserWho('keep-library');
  const { test, item } = await params;
  const asked = orNotFound(() => questionInLibrary(database(), user, Number(test), decodeURIComponent(item)));
  return <ItemPage key={asked.question.ref} user={deskUser(user)} asked={asked} />;
}
