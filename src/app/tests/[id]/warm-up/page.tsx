import english from '@messages/en.json';
import { notFound } from 'next/navigation';
import { kindsIn } from '@/core/item/warmUp';
import { itemRefsOf } from '@/core/item/test';
import { database } from '@/server/db/open';
import { assignedTest } from '@/server/delivery/assignments';
import { loadTest } from '@/server/library/library';
import { orNotFound, pageUser } from '../../../http';
import { WarmUpPage } from './WarmUpPage';

export const metadata = { title: english.warmUp.title };

/** What kinds of question the test uses is all that is told of it here. */
export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const user = await pageUser('student');
  const id = Number((await params).id);
  const assigned = orNotFound(() => assignedTest(database(), user, id));
  const content = loadTest(database(), assigned.testId);
  if (!content) notFound();
  const items = itemRefsOf(content.test).flatMap(({ item }) => content.items.get(item) ?? []);
  return (
    <WarmUpPage name={user.displayName} needs={user.needs} kinds={kindsIn(items)} backTo={`/tests/${id}`} />
  );
}
