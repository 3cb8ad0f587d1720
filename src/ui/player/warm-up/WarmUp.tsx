'use client';

import { useEffect, useState } from 'react';
import { useTranslations } from 'use-intl';
import { interactionOf } from '@/core/interactions';
import type { DeliveredItem } from '@/core/item/delivered';
import { isSameAnswer } from '@/core/item/warmUp';
import type { AccessNeeds } from '@/core/needs';
import type { RawResponse } from '@/core/content/response';
import { PlayerProvider } from '../../attempt/PlayerContext';
import type { AttemptSession } from '../../attempt/session/session';
import { lessonFor } from '../../interactions';
import { kindName } from '../../interactions/kindName';
import type { Lesson } from '../../interactions/lesson';
import { useSaid } from '../../interactions/useSaid';
import { Words } from '../../kit/Words';
import { Cover } from '../Covers';
import { PlayerScreen } from '../PlayerScreen';
import { sampleSession } from '../sample/sampleSession';
import { Spoken } from '../Spoken';
import { usePlayerValue } from '../usePlayerValue';
import { usePreload } from '../usePreload';
import { refOf, stepsAsContent, warmUpItem, warmUpTest, type WarmUpQuestion } from './warmUpTest';

interface Props {
  readonly name: string;
  readonly needs: AccessNeeds;
  /** Kinds of question that the test uses. */
  readonly kinds: readonly string[];
  /** Where one comes from, and goes back to. */
  readonly backTo: string;
}

/** Before the real thing: one question of each kind that the test uses, on the question screen, with the answer explained. Nothing is kept. */
export function WarmUp(props: Props) {
  return (
    <Words>
      <Loading {...props} />
    </Words>
  );
}

const lastOf = ({ steps }: Lesson): RawResponse => steps.at(-1) ?? null;

function Loading(props: Props) {
  const t = useTranslations('warmUp');
  const say = useSaid();
  const { kinds } = props;
  const [questions, setQuestions] = useState<readonly WarmUpQuestion[] | 'failed' | null>(null);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let gone = false;
    const questionOf = async (type: string): Promise<WarmUpQuestion[]> => {
      const lesson = await lessonFor(type);
      if (!lesson || lesson.asks === 'nothing') return [];
      const bare = warmUpItem({ type, lesson, task: '', asked: null }, 1);
      const words = say.glance(bare, { [lesson.shape.identifier]: lastOf(lesson) });
      const asked = lesson.asks === 'own' || words === '' ? null : words;
      return [{ type, lesson, task: t(asked === null ? 'taskOwn' : 'task'), asked }];
    };
    Promise.all(kinds.map(questionOf)).then(
      (found) => {
        if (!gone) setQuestions(found.flat());
      },
      () => {
        if (!gone) setQuestions('failed');
      },
    );
    return () => {
      gone = true;
    };
  }, [kinds, say, t, tries]);
  if (questions === 'failed')
    return (
      <Cover
        title={t('failedTitle')}
        text={t('failedText')}
        action={{
          words: t('again'),
          act: () => {
            setQuestions(null);
            setTries(tries + 1);
          },
        }}
      />
    );
  if (questions === null) return <Cover title={t('loadingTitle')} text={t('loadingText')} />;
  if (questions.length === 0)
    return (
      <Cover
        title={t('noneTitle')}
        text={t('noneText')}
        action={{ words: t('leave'), act: () => window.location.assign(props.backTo) }}
      />
    );
  return <Running {...props} questions={questions} />;
}

const asIs = (path: string) => path;

function Running({
  name,
  needs,
  backTo,
  questions,
}: Props & { readonly questions: readonly WarmUpQuestion[] }) {
  const t = useTranslations('warmUp');
  const lessons = useTranslations('lessons');
  const [session] = useState(() => {
    const test = warmUpTest(t('title'), questions);
    const check = (ref: string): DeliveredItem => {
      const at = questions.findIndex(({ type }) => refOf(type) === ref);
      const question = questions[at];
      if (!question) throw new Error(`the warm-up has no ${ref}`);
      const steps = lessons.raw(`kinds.${kindName(question.type)}.steps`) as string[];
      const title = t(`verdict.${verdictOn(question, own)}`);
      return { ...warmUpItem(question, at + 1), feedback: [{ title, content: stepsAsContent(steps) }] };
    };
    const own: AttemptSession = sampleSession(test, needs, name, check);
    return own;
  });
  useEffect(() => () => session.close(), [session]);
  const [rehearsal] = useState(() => ({ leave: () => window.location.assign(backTo) }));
  const { value, speech } = usePlayerValue(session, asIs, { rehearsal });
  const fetched = usePreload(value.test, needs);
  return (
    <PlayerProvider value={value}>
      <PlayerScreen onHandedIn={rehearsal.leave} fetched={fetched} />
      <Spoken speech={speech} />
    </PlayerProvider>
  );
}

/** What is to be said of the answer as it stands. */
function verdictOn(
  { type, lesson }: WarmUpQuestion,
  session: AttemptSession,
): 'same' | 'finished' | 'other' | 'not-yet' {
  const { model, shape } = lesson;
  const given = session.getState().items[refOf(type)]?.responses[shape.identifier] ?? null;
  if (lesson.asks === 'this' && isSameAnswer(given, lastOf(lesson), shape)) return 'same';
  if (interactionOf(type)?.progress(model, given, shape).state !== 'complete') return 'not-yet';
  return lesson.asks === 'own' ? 'finished' : 'other';
}
