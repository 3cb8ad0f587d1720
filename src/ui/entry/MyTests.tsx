'use client';

import { Button, Empty, Tag } from 'antd';
import { useFormatter, useTranslations } from 'use-intl';
import type { AssignmentOptions } from '@/core/item/options';
import type { AccessNeeds } from '@/core/needs';
import type { Points } from '@/core/sitting/points';
import { useIsGuest } from '../kit/guest';
import { ContentTitle } from '../content/ContentView';
import styles from './entry.module.css';
import { Page } from './Page';
import { roundPoints, usePointsWords } from './usePointsWords';

export interface TestRow {
  readonly assignmentId: number;
  readonly title: string;
  readonly language: string | null;
  readonly questions: number;
  readonly timeLimit: number | null;
  /** Its parts, where it has more than one, or one that goes forward only. */
  readonly parts: readonly {
    readonly title: string;
    readonly questions: number;
    readonly timeLimit: number | null;
    readonly forwardOnly: boolean;
  }[];
  readonly state: 'not-started' | 'stopped' | 'handed-in';
  readonly given: AssignmentOptions;
  readonly waits: boolean;
  readonly attemptId: string | null;
  readonly begunAt: number | null;
  readonly handedInAt: number | null;
  /** Points that are needed; null where nothing is said. */
  readonly needed: number | null;
  /** What is handed in of it, the newest first. */
  readonly past: readonly {
    readonly attemptId: string;
    readonly handedInAt: number;
    readonly points: Points | null;
  }[];
  /** It is handed in, and may be taken once more. */
  readonly again: boolean;
  /** From when to when it can be started, in milliseconds since 1970; null = no such bound. */
  readonly opensAt: number | null;
  readonly closesAt: number | null;
  readonly window: 'open' | 'later' | 'over';
}

/** What is assigned: not started, stopped part-way, handed in. Opening one starts nothing yet. */
export function MyTests({
  name,
  needs,
  tests,
}: {
  name: string;
  needs: AccessNeeds;
  tests: readonly TestRow[];
}) {
  return (
    <Page name={name} needs={needs}>
      <TestList name={name} needs={needs} tests={tests} />
    </Page>
  );
}

function TestList({ name, needs, tests }: { name: string; needs: AccessNeeds; tests: readonly TestRow[] }) {
  const t = useTranslations('tests');
  const without = useTranslations('practice');
  const guest = useIsGuest();
  // Who has no account only practices.
  const real = guest ? tests : tests.filter(({ given }) => !given.practice);
  const practice = guest ? [] : tests.filter(({ given }) => given.practice);
  return (
    <>
      <h1>{t('title')}</h1>
      <p className={styles.soft}>
        {guest ? without('guest') : t('hello', { name: name.split(' ')[0] ?? name })}
      </p>
      <p className={styles.toMyView}>
        <Button size="large" href="/my-view">
          {t('myView')}
        </Button>
        <span className={styles.soft}>{t('myViewAbout')}</span>
      </p>
      {tests.length === 0 && <Empty description={t('empty')} image={Empty.PRESENTED_IMAGE_SIMPLE} />}
      {real.length > 0 && <Rows tests={real} needs={needs} heading="h2" />}
      {practice.length > 0 && (
        <section aria-labelledby="practice" className={styles.practice}>
          <h2 id="practice">{t('practice')}</h2>
          <p className={styles.soft}>{t('practiceText')}</p>
          <Rows tests={practice} needs={needs} heading="h3" />
        </section>
      )}
    </>
  );
}

/** Tests in a list, each with what can be done next. */
function Rows({
  tests,
  needs,
  heading: Heading,
}: {
  tests: readonly TestRow[];
  needs: AccessNeeds;
  heading: 'h2' | 'h3';
}) {
  const t = useTranslations('tests');
  const format = useFormatter();
  const where = (test: TestRow) =>
    test.state === 'handed-in' ? `/attempts/${test.attemptId ?? ''}/score` : `/tests/${test.assignmentId}`;
  const action = ({ state, given }: TestRow) =>
    state === 'handed-in' && given.tells === 'thanks' ? t('action.thanked') : t(`action.${state}`);
  const date = (at: number) => format.dateTime(new Date(at), { dateStyle: 'long', timeStyle: 'short' });
  return (
    <ul className={styles.tests}>
      {tests.map((test) => (
        <li key={test.assignmentId} className={styles.test} data-state={test.state}>
          <div className={styles.testText}>
            <Heading>
              <ContentTitle language={test.language}>{test.title}</ContentTitle>
            </Heading>
            <p className={styles.soft}>
              {t('questions', { count: test.questions })} ·{' '}
              {test.timeLimit === null
                ? t('untimed')
                : t('minutes', { count: Math.round((test.timeLimit * needs.timeMultiplier) / 60) })}
            </p>
            <p className={styles.stateLine}>
              <Tag className={styles.tag}>{t(`state.${test.state}`)}</Tag>
              {test.handedInAt !== null
                ? t('handedInAt', { date: date(test.handedInAt) })
                : test.begunAt !== null && t('begunAt', { date: date(test.begunAt) })}
            </p>
            <Startable {...test} />
            <Past test={test} date={date} />
          </div>
          {test.again && (
            <Button
              size="large"
              href={`/tests/${test.assignmentId}`}
              aria-label={t('actionFor', { action: t('again'), title: test.title })}
            >
              {t('again')}
            </Button>
          )}
          <Button
            type={test.state === 'handed-in' ? 'default' : 'primary'}
            size="large"
            href={where(test)}
            aria-label={t('actionFor', { action: action(test), title: test.title })}
          >
            {action(test)}
          </Button>
        </li>
      ))}
    </ul>
  );
}

/** What is needed, and the attempts that are over, with their dates and points. */
function Past({ test: { needed, past, given }, date }: { test: TestRow; date: (at: number) => string }) {
  const t = useTranslations('tests');
  const words = usePointsWords(given.practice);
  const [newest] = past;
  return (
    <>
      {needed !== null && <p className={styles.soft}>{t('needed', { points: roundPoints(needed) })}</p>}
      {past.length === 1 && newest?.points && <p>{words(newest.points)}</p>}
      {past.length > 1 && (
        <ul className={styles.past}>
          {past.map(({ attemptId, handedInAt, points }, i) => (
            <li key={attemptId}>
              <a href={`/attempts/${attemptId}/score`}>
                {t('attempt', { number: past.length - i, date: date(handedInAt) })}
              </a>
              {points && <>: {words(points)}</>}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

/** When it can be started, where that is bounded and matters still. */
export function Startable({ opensAt, closesAt, window, state, again }: TestRow) {
  const t = useTranslations('tests');
  const format = useFormatter();
  const date = (at: number) => format.dateTime(new Date(at), { dateStyle: 'long', timeStyle: 'short' });
  if (state !== 'not-started' && !again) return null;
  if (window === 'over' && closesAt !== null) return <p>{t('over', { date: date(closesAt) })}</p>;
  if (window === 'later' && opensAt !== null) return <p>{t('opens', { date: date(opensAt) })}</p>;
  return closesAt === null ? null : <p>{t('closes', { date: date(closesAt) })}</p>;
}
