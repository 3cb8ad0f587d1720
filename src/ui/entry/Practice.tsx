'use client';

import { Button, Empty, Select } from 'antd';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { NeedsLook } from '@/core/needs';
import { ContentTitle } from '../content/ContentView';
import { forgetAllAttempts } from '../attempt/offline/forgetAll';
import { useHydrated } from '../kit/useHydrated';
import styles from './entry.module.css';
import { Labelled } from './Labelled';
import { Page } from './Page';
import { useAsk } from './useAsk';

interface PracticeRow {
  readonly testId: number;
  readonly title: string;
  readonly language: string | null;
  readonly grade: string;
  readonly subject: string;
  readonly questions: number;
  /** Seconds; null = untimed. */
  readonly timeLimit: number | null;
}
interface Props {
  /** Who would be signed out by practicing; null where nobody is. */
  readonly signedInAs: string | null;
  readonly needs?: NeedsLook;
  readonly tests: readonly PracticeRow[];
}

/** Practice for anyone, by grade and subject: nothing is kept, and it says so (work.md, A4). */
export function Practice(props: Props) {
  return (
    <Page needs={props.needs}>
      <PracticeList {...props} />
    </Page>
  );
}

const valuesOf = (tests: readonly PracticeRow[], of: 'grade' | 'subject') => [
  ...new Set(tests.map((test) => test[of])),
];

function PracticeList({ signedInAs, tests }: Props) {
  const t = useTranslations('practice');
  const facts = useTranslations('tests');
  const hydrated = useHydrated();
  const [only, setOnly] = useState<{ grade: string | null; subject: string | null }>({
    grade: null,
    subject: null,
  });
  const { working, problem, ask } = useAsk();
  const shown = tests.filter(
    ({ grade, subject }) =>
      (only.grade === null || grade === only.grade) && (only.subject === null || subject === only.subject),
  );
  const begin = async (testId: number) => {
    const begun = await ask<{ assignmentId: number }>('/api/practice', { testId });
    if (!begun) return;
    await forgetAllAttempts();
    window.location.assign(`/tests/${begun.assignmentId}`);
  };
  const choose = (of: 'grade' | 'subject') => (
    <Labelled label={t(of)}>
      {(id) => (
        <Select
          id={id}
          size="large"
          disabled={!hydrated}
          value={only[of] ?? ''}
          onChange={(value: string) => setOnly({ ...only, [of]: value === '' ? null : value })}
          options={[
            { value: '', label: t(`any.${of}`) },
            ...valuesOf(tests, of).map((value) => ({ value, label: value })),
          ]}
        />
      )}
    </Labelled>
  );
  return (
    <>
      <h1>{t('title')}</h1>
      <p>{t('text')}</p>
      {signedInAs !== null && <p>{t('signsOut', { name: signedInAs })}</p>}
      <div className={styles.chooses} role="group" aria-label={t('which')}>
        {choose('grade')}
        {choose('subject')}
      </div>
      {problem}
      <p role="status" className={styles.soft}>
        {t('found', { count: shown.length })}
      </p>
      {shown.length === 0 && <Empty description={t('empty')} image={Empty.PRESENTED_IMAGE_SIMPLE} />}
      <ul className={styles.tests}>
        {shown.map(({ testId, title, language, grade, subject, questions, timeLimit }) => (
          <li key={`${testId} ${grade} ${subject}`} className={styles.test}>
            <div className={styles.testText}>
              <h2>
                <ContentTitle language={language}>{title}</ContentTitle>
              </h2>
              <p className={styles.soft}>
                {t('of', { grade, subject })} · {facts('questions', { count: questions })} ·{' '}
                {timeLimit === null
                  ? facts('untimed')
                  : facts('minutes', { count: Math.round(timeLimit / 60) })}
              </p>
            </div>
            <Button
              type="primary"
              size="large"
              aria-label={facts('actionFor', { action: t('begin'), title })}
              disabled={working || !hydrated}
              onClick={() => void begin(testId)}
            >
              {t('begin')}
            </Button>
          </li>
        ))}
      </ul>
      {signedInAs === null && (
        <p>
          <Button type="link" size="large" href="/sign-in">
            {t('signIn')}
          </Button>
        </p>
      )}
    </>
  );
}
