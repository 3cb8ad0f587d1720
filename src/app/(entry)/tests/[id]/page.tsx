import { titled } from '@/app/language';
import { directionsOf } from '@/core/item/test';
import { BeforeYouStart } from '@/ui/entry/BeforeYouStart';
import { assignedWithContent } from '../../../assigned';
import { pageUser } from '../../../http';

export const generateMetadata = titled((words) => words.before.title);

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const user = await pageUser('student');
  const { assigned, content } = assignedWithContent(user, (await params).id);
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
