'use client';

import type { DeskUser, Student } from '@/core/wire/desk';
import type { TryRequest } from '@/core/wire/requests';
import type { QuestionInLibrary, TriedAnswer } from '@/core/wire/library';
import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { itemOf } from '@/core/attempt/state';
import { PlayerProvider, useAttempt } from '../../attempt/PlayerContext';
import content from '../../content/content.module.css';
import { ContentTitle, ContentView, WrittenIn } from '../../content/ContentView';
import { AnswerView } from '../../entry/AnswerView';
import entry from '../../entry/entry.module.css';
import { InWords } from '../../entry/InWords';
import { Passages } from '../../entry/Passages';
import { useAsk } from '../../entry/useAsk';
import { Fold } from '../../kit/Fold';
import { kindName } from '../../interactions/kindName';
import { Sample } from '../../player/sample/Sample';
import { sampleSession } from '../../player/sample/sampleSession';
import { Spoken } from '../../player/Spoken';
import { usePlayerValue } from '../../player/usePlayerValue';
import { DeskPage } from '../DeskPage';
import { SeenAs } from './SeenAs';
import { Steps } from './Steps';
import styles from './library.module.css';

interface Props {
  readonly user: DeskUser;
  readonly asked: QuestionInLibrary;
  readonly seenAs: TryRequest;
  readonly students: readonly Student[];
}

/** So many drawings of a question are looked at. */
const DRAWINGS = 20;

/** How a question is seen, in its address. */
function queryOf({ student, scheme, magnification }: TryRequest, drawing: number): string {
  const query = new URLSearchParams({
    ...(student !== null && { student: String(student) }),
    ...(scheme !== null && { scheme }),
    ...(magnification !== null && { size: String(magnification) }),
    ...(drawing > 0 && { drawing: String(drawing) }),
  }).toString();
  return query === '' ? '' : `?${query}`;
}

/** One question as students get it, to be answered; beside it what is right, and what an answer is worth. */
export function QuestionPage(props: Props) {
  return (
    <DeskPage user={props.user} place="library">
      <Question {...props} />
    </DeskPage>
  );
}

function Question({ user, asked, seenAs, students }: Props) {
  const t = useTranslations('library.question');
  const names = useTranslations('lessons.names');
  const list = useTranslations('library.list');
  const { testId, question, shown, before, after } = asked;
  const router = useRouter();
  const drawing = asked.drawing ?? 0;
  const address = (ref: string, as = seenAs, drawn = 0) =>
    `/desk/library/${testId}/${encodeURIComponent(ref)}${queryOf(as, drawn)}`;
  const see = (as: TryRequest, drawn: number) =>
    router.replace(address(question.ref, as, drawn), { scroll: false });
  return (
    <>
      <h1>
        <ContentTitle language={shown.items[question.ref]?.language ?? null}>{question.title}</ContentTitle>
      </h1>
      <p className={entry.soft}>
        {asked.test} · {question.ref} · {question.kinds.map((kind) => names(kindName(kind))).join(', ')} ·{' '}
        {list('scored')} {list(`by.${question.scoredBy}`)}
        {question.points !== null && ` · ${t('points', { points: question.points })}`}
      </p>
      <div className={styles.seen}>
        <Fold title={t('seenAs')}>
          <SeenAs
            value={seenAs}
            students={students}
            nobody={t('myOwn')}
            onChange={(as) => see(as, drawing)}
          />
        </Fold>
        {asked.drawing !== null && (
          <div className={styles.drawing}>
            <span role="status">{t('drawing', { number: drawing + 1 })}</span>
            <Button size="large" onClick={() => see(seenAs, (drawing + 1) % DRAWINGS)}>
              {t('another')}
            </Button>
          </div>
        )}
      </div>
      <Tried key={queryOf(seenAs, drawing)} user={user} asked={asked} />
      <p className={entry.ways}>
        {before !== null && (
          <Button size="large" href={address(before)}>
            {t('before')}
          </Button>
        )}
        {after !== null && (
          <Button size="large" href={address(after)}>
            {t('after')}
          </Button>
        )}
        <Button size="large" href={`/desk/library/${testId}`}>
          {t('back')}
        </Button>
      </p>
    </>
  );
}

/** The question to be answered, and beside it what an answer is worth and what is right. */
function Tried({ user, asked }: Pick<Props, 'user' | 'asked'>) {
  const t = useTranslations('library.question');
  const { testId, question, shown, solution, rubrics } = asked;
  const [session] = useState(() => sampleSession(shown, user.needs, user.name));
  useEffect(() => () => session.close(), [session]);
  const assetUrl = useCallback(
    (path: string) => `/api/tests/${testId}/assets/${path.split('/').map(encodeURIComponent).join('/')}`,
    [testId],
  );
  const { value, speech } = usePlayerValue(session, assetUrl);
  const item = shown.items[question.ref];
  const { working, problem, ask } = useAsk();
  const [worth, setWorth] = useState<Scored | null>(null);
  const worthRef = useRef<HTMLHeadingElement>(null);
  const score = async (by: string | null) => {
    if (working) return;
    const { responses } = itemOf(session.getState(), question.ref);
    const given = by === null ? responses : { ...responses, [by]: 'true' };
    const path = `/api/tests/${testId}/items/${encodeURIComponent(question.ref)}/try`;
    const is = await ask<TriedAnswer>(path, { responses: given, drawing: asked.drawing ?? 0 }, true);
    setWorth(is && { of: responses, is });
    if (is) worthRef.current?.focus();
  };
  const known = Object.values(solution).some((response) => response !== null);
  return (
    <PlayerProvider value={value}>
      <div className={styles.sides}>
        <section aria-labelledby="given" className={styles.given}>
          <h2 id="given">{t('asGiven')}</h2>
          {/* A button inside the question asks for the same. */}
          <Sample alone onCheck={(by) => void score(by)} />
        </section>
        <div className={styles.told}>
          <section className={entry.answer} aria-labelledby="worth">
            <h2 id="worth" ref={worthRef} tabIndex={-1}>
              {t('worth')}
            </h2>
            {worth ? <WhichAnswer itemRef={question.ref} worth={worth} /> : <p>{t('worthText')}</p>}
            <Button
              type="primary"
              size="large"
              aria-disabled={working || undefined}
              onClick={() => void score(null)}
            >
              {t('score')}
            </Button>
            {problem}
            {worth && <Steps worth={worth.is} />}
          </section>
          <section className={entry.answer} aria-labelledby="right">
            <h2 id="right">{t('right')}</h2>
            {item && known ? (
              <>
                <AnswerView
                  item={{ ...item, ref: `${item.ref}-solution` }}
                  responses={solution}
                  assetUrl={assetUrl}
                />
                <InWords item={item} responses={solution} />
              </>
            ) : (
              <p>{t('noRight')}</p>
            )}
          </section>
          {item && item.stimuli.length > 0 && (
            <section className={entry.answer} aria-label={t('passage')}>
              <Fold title={t('passage')}>
                <Passages names={item.stimuli} stimuli={shown.stimuli} assetUrl={assetUrl} />
              </Fold>
            </section>
          )}
          {rubrics.length > 0 && (
            <section className={`${entry.answer} ${content.content}`} aria-labelledby="rubric">
              <h2 id="rubric">{t('rubric')}</h2>
              <WrittenIn language={item?.language ?? null}>
                {rubrics.map((one, i) => (
                  <ContentView key={i} content={one} slots={{ assetUrl }} />
                ))}
              </WrittenIn>
            </section>
          )}
        </div>
      </div>
      <Spoken speech={speech} />
    </PlayerProvider>
  );
}

/** What an answer is worth. */
interface Scored {
  readonly of: object;
  readonly is: TriedAnswer;
}

/** Whether it is the answer that stands there now. */
function WhichAnswer({ itemRef, worth }: { readonly itemRef: string; readonly worth: Scored }) {
  const t = useTranslations('library.question');
  const responses = useAttempt((state) => itemOf(state, itemRef).responses);
  return <p role="status">{t(worth.of === responses ? 'worthNow' : 'worthBefore')}</p>;
}
