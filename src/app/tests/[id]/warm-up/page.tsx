import { titled } from '@/app/language';
import { itemRefsOf } from '@/core/item/test';
import { kindsIn } from '@/core/item/warmUp';
import { assignedWithContent } from '../../../assigned';
import { userAtDoor } from '../../../http';
import { WarmUpPage } from './WarmUpPage';

export const generateMetadata = titled((words) => words.warmUp.title);

/** What kinds of question the test uses is all that is told of it here. */
export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const user = await userAtDoor('student');
  const { id } = await params;
  const { assigned, content } = assignedWithContent(user, id);
  const items = itemRefsOf(content.test).flatMap(({ item }) => content.items.get(item) ?? []);
  return (
    <WarmUpPage
      name={user.displayName}
      needs={user.needs}
      kinds={kindsIn(items)}
      backTo={`/tests/${assigned.assignmentId}`}
    />
  );
}
