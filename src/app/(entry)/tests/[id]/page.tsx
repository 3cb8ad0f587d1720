import english from '@messages/en.json';
import { notFound } from 'next/navigation';
import { directionsOf } from '@/core/item/test';
import { database } from '@/server/db/open';
import { assignedTest } from '@/server/delivery/assignments';
import { loadTest } from '@/server/library/library';
import { BeforeYouStart } from '@/ui/entry/BeforeYouStart';
import { orNotFound, pageUser } from '../../../http';

export const metadata = { title: english.before.title };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const user = await pageUser('student');
  const id = Number((await params).id);
  const assigned = orNotFound(() => assignedTest(database(), user, id));
  const content = loadTest(database(), assigned.testId);
  if (!content) notFound();
  return (
    <BeforeYouStart
      name={user.displayName}
      signInName={user.signInName}
      needs={user.needs}
      assigned={assigned}
      directions={directionsOf(content.test)}
    />
  );
}
