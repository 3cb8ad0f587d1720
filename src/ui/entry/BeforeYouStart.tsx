'use client';

import { Alert, Button } from 'antd';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Content } from '@/core/content/content';
import type { AccessNeeds } from '@/core/needs';
import { useHydrated } from '../kit/useHydrated';
import { ContentView } from '../content/ContentView';
import styles from './entry.module.css';
import type { TestRow } from './MyTests';
import { Page } from './Page';
import { post } from './post';
import { Fact, SetForYou } from './SetForYou';

interface Props {
  readonly name: string;
  readonly signInName: string;
  readonly needs: AccessNeeds;
  readonly assigned: TestRow;
  readonly directions: Content;
}

/** One page before the clock: this is you, this is your test, what it asks. Only the one button starts it. */
export function BeforeYouStart(props: Props) {
  return (
    <Page name={props.name} needs={props.needs}>
      <Before {...props} />
    </Page>
  );
}

/** The parts, where a test has them: how long each is, and whether there is a way back in it. */
function Parts({
  parts,
  timeMultiplier,
}: {
  readonly parts: TestRow['parts'];
  readonly timeMultiplier: number;
}) {
  const t = useTranslations('before');
  const tests = useTranslations('tests');
  if (parts.length === 0) return null;
  return (
    <section className={styles.parts} aria-labelledby="parts">
      <h2 id="parts">{t('parts')}</h2>
      <p>{t('partsText')}</p>
      <ol>
        {parts.map(({ title, questions, timeLimit, forwardOnly }, i) => (
          <li key={i}>
            {title !== '' && <b>{title}: </b>}
            {[
              tests('questions', { count: questions }),
              ...(timeLimit === null
                ? []
                : [tests('minutes', { count: Math.round((timeLimit * timeMultiplier) / 60) })]),
              ...(forwardOnly ? [t('forwardOnly')] : []),
            ].join(' · ')}
          </li>
        ))}
      </ol>
    </section>
  );
}

function Before({ name, signInName, needs, assigned, directions }: Props) {
  const t = useTranslations('before');
  const tests = useTranslations('tests');
  const refusals = useTranslations('refusals');
  const hydrated = useHydrated();
  const [state, setState] = useState<{ working: boolean; problem: string | null }>({
    working: false,
    problem: null,
  });
  const minutes =
    assigned.timeLimit === null ? null : Math.round((assigned.timeLimit * needs.timeMultiplier) / 60);
  const begun = assigned.state !== 'not-started';
  const start = async () => {
    setState({ working: true, problem: null });
    const answer = await post<{ attemptId: string }>(`/api/assignments/${assigned.assignmentId}/begin`, {});
    if (answer.ok) window.location.assign(`/attempts/${answer.data.attemptId}`);
    else setState({ working: false, problem: refusals(answer.code as 'network', { minutes: 1 }) });
  };
  const ofParts = assigned.parts.some(({ timeLimit }) => timeLimit !== null);
  const untimed = minutes === null && !ofParts;
  const startWords = begun ? t('goOn') : untimed ? t('startUntimed') : t('start');
  return (
    <>
      <h1>{t('title')}</h1>
      <div className={styles.facts}>
        <Fact name={t('you')} value={name} note={signInName} />
        <Fact name={t('test')} value={assigned.title} />
        <Fact name={t('questions')} value={tests('questions', { count: assigned.questions })} />
        <Fact
          name={t('time')}
          value={
            minutes === null
              ? ofParts
                ? t('timeOfParts')
                : tests('untimed')
              : needs.timeMultiplier > 1
                ? t('extraTime', { minutes })
                : tests('minutes', { count: minutes })
          }
        />
        <Fact name={t('tools')} value={t('toolList')} />
        <SetForYou needs={needs} />
        {!begun && (
          <div className={styles.fact}>
            <span className={styles.soft}>{t('warmUpText')}</span>
            <Button href={`/tests/${assigned.assignmentId}/warm-up`} className={styles.factWay}>
              {t('warmUp')}
            </Button>
          </div>
        )}
      </div>
      <Parts parts={assigned.parts} timeMultiplier={needs.timeMultiplier} />
      <p>{t('notYou')}</p>
      <section className={styles.directions} aria-labelledby="directions">
        <h2 id="directions">{t('directions')}</h2>
        <ContentView content={directions} slots={{ assetUrl: (path) => path }} />
      </section>
      {state.problem !== null && (
        <Alert type="error" showIcon title={state.problem} role="alert" className={styles.alert} />
      )}
      <div className={styles.startRow}>
        <p>{begun ? null : untimed ? t('noClock') : t('clock')}</p>
        <Button
          type="primary"
          size="large"
          className={styles.start}
          onClick={() => void start()}
          disabled={state.working || !hydrated}
        >
          {state.working ? t('working') : startWords}
        </Button>
        <Button type="link" size="large" href="/tests">
          {t('backToTests')}
        </Button>
      </div>
    </>
  );
}
