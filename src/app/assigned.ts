import { notFound } from 'next/navigation';
import type { User } from '@/server/accounts/users';
import { database } from '@/server/db/open';
import { assignedTest, type AssignedTest } from '@/server/delivery/assignments';
import { loadTest, type TestContent } from '@/server/library/library';
import { orNotFound } from './http';

/** An assignment of a student and the test it is of, for pages; somebody else's is not found. */
export function assignedWithContent(
  user: User,
  id: string,
): { readonly assigned: AssignedTest; readonly content: TestContent } {
  const assigned = orNotFound(() => assignedTest(database(), user, Number(id)));
  const content = loadTest(database(), assigned.testId);
  if (!content) notFound();
  return { assigned, content };
}
