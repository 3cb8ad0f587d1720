import { titled } from '@/app/language';
import { deliverDirections } from '@/core/deliver/assets';
import { hasSound } from '@/core/item/warmUp';
import { NO_NEEDS } from '@/core/needs';
import { BeforeYouStart } from '@/ui/entry/BeforeYouStart';
import { assignedWithContent } from '../../../assigned';
import { userAtDoor } from '../../../http';

export const generateMetadata = titled((words) => words.before.title);

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const user = await userAtDoor('student');
  const { assigned, content } = assignedWithContent(user, (await params).id);
  const { content: shown, documents } = deliverDirections(content);
  return (
    <BeforeYouStart
      name={user.displayName}
      signInName={user.signInName}
      // Whoever sits there is not known yet: what is set for the student is nobody else's.
      needs={user.room?.letIn === false ? NO_NEEDS : user.needs}
      assigned={assigned}
      sounds={hasSound([...content.items.values(), ...content.stimuli.values()])}
      directions={{ content: shown, documents }}
    />
  );
}
