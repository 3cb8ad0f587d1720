import { titled } from '@/app/language';
import { database } from '@/server/db/open';
import { answerToMark, nextToMark, questionsToMark } from '@/server/marking/queue';
import { AllMarked } from '@/ui/desk/marking/AllMarked';
import { deskUser, orNotFound, pageUserWho } from '../../../../../http';
import { MarkPage } from './MarkPage';

export const generateMetadata = titled((words) => words.marking.title);

interface Params {
  readonly params: Promise<{ readonly test: string; readonly item: string }>;
  readonly searchParams: Promise<{ readonly after?: string; readonly again?: string }>;
}

/** The next answer to a question, or (`again`) the next one that this reader has marked: after the one they come from. */
export default async function Page({ params, searchParams }: Params) {
  const user = await pageUserWho('mark');
  const [testId, ref] = [Number((await params).test), decodeURIComponent((await params).item)];
  const { after, again } = await searchParams;
  const db = database();
  const question = questionsToMark(db, user).find((one) => one.testId === testId && one.ref === ref);
  const attemptId = orNotFound(() =>
    nextToMark(db, user, {
      testId,
      ref,
      after: typeof after === 'string' ? after : null,
      again: again !== undefined,
    }),
  );
  const frame = { user: deskUser(user) };
  if (!question || attemptId === null) return <AllMarked {...frame} title={question?.title ?? ''} />;
  const answer = orNotFound(() => answerToMark(db, user, attemptId, ref));
  return (
    <MarkPage
      key={attemptId}
      {...frame}
      answer={answer}
      left={again === undefined ? question.forYou : null}
    />
  );
}
