'use client';

import type { DeskUser } from '@/core/wire/desk';
import type { CorrectedKeys, StudentResult, TestFigures, TestWithResults } from '@/core/wire/results';
import { Button, Space } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import entry from '../../entry/entry.module.css';
import { useAsk } from '../../entry/useAsk';
import { DeskPage } from '../DeskPage';
import desk from '../desk.module.css';
import { useDateWords } from '../useDateWords';
import { Figures } from './Figures';
import { StudentsTable } from './StudentsTable';
import styles from './results.module.css';

interface Props {
  readonly user: DeskUser;
  readonly test: TestWithResults;
  readonly results: readonly StudentResult[];
  readonly figures: TestFigures;
  /** There is another version by whose keys it could be scored. */
  readonly otherKeys: boolean;
  /** Null where it is scored by its own keys. */
  readonly corrected: CorrectedKeys | null;
}

/** What came of a test: who got how much, and whether its questions work. */
export function TestResults({ user, ...rest }: Props) {
  return (
    <DeskPage user={user} place="results">
      <Results {...rest} />
    </DeskPage>
  );
}

function Results({ test, results, figures, otherKeys, corrected }: Omit<Props, 'user'>) {
  const t = useTranslations('results');
  const file = (name: string) => `/api/tests/${test.testId}/export/${name}`;
  return (
    <>
      <h1>{test.title}</h1>
      <p className={entry.soft}>
        {[
          t('handedIn', { count: test.handedIn }),
          ...(test.toMark > 0 ? [t('toMark', { count: test.toMark })] : []),
        ].join(' · ')}
      </p>
      <Told test={test} />
      <nav aria-label={t('files')} className={styles.files}>
        <b>{t('files')}</b>
        <Space wrap>
          <Button href={file('results.csv')}>{t('file.results')}</Button>
          <Button href={file('questions.csv')}>{t('file.questions')}</Button>
          <Button href={file('results.zip')}>{t('file.qti')}</Button>
          <Button onClick={() => window.print()}>{t('file.print')}</Button>
        </Space>
      </nav>
      <StudentsTable testId={test.testId} results={results} />
      <Figures figures={figures} />
      <Keys testId={test.testId} otherKeys={otherKeys} corrected={corrected} />
    </>
  );
}

/** Results that are held back, and letting them be told. */
function Told({ test }: { readonly test: TestWithResults }) {
  const t = useTranslations('results.told');
  const router = useRouter();
  const { working, problem, ask } = useAsk();
  const [done, setDone] = useState<string | null>(null);
  const doneRef = useRef<HTMLParagraphElement>(null);
  // The button that was pressed goes.
  useEffect(() => {
    if (done !== null) doneRef.current?.focus();
  }, [done]);
  const tell = async (told: boolean) => {
    const answer = await ask<{ changed: number }>(`/api/tests/${test.testId}/release`, { told }, true);
    if (!answer) return;
    setDone(t(told ? 'done' : 'heldAgain', { count: answer.changed }));
    router.refresh();
  };
  if (test.held === 0 && test.released === 0 && done === null) return null;
  return (
    <div className={styles.told}>
      {test.held > 0 && (
        <>
          <p>
            {t('held', { count: test.held })} {test.toMark > 0 && t('toMark', { count: test.toMark })}
          </p>
          <Button
            type="primary"
            size="large"
            aria-disabled={working || undefined}
            onClick={() => !working && void tell(true)}
          >
            {t('release', { count: test.held })}
          </Button>
        </>
      )}
      {test.released > 0 && (
        <Button
          size="large"
          aria-disabled={working || undefined}
          onClick={() => !working && void tell(false)}
        >
          {t('holdAgain', { count: test.released })}
        </Button>
      )}
      <p ref={doneRef} role="status" tabIndex={-1}>
        {done}
      </p>
      {problem}
    </div>
  );
}

/** By which keys it is scored, and scoring it by others. */
function Keys({
  testId,
  otherKeys,
  corrected,
}: Pick<Props, 'otherKeys' | 'corrected'> & { readonly testId: number }) {
  const t = useTranslations('results.keys');
  const { dateTime } = useDateWords();
  return (
    <section aria-labelledby="keys" className={desk.rooms}>
      <h2 id="keys">{t('title')}</h2>
      <p>
        {corrected
          ? t('corrected', {
              version: dateTime(corrected.importedAt),
              at: dateTime(corrected.at),
              by: corrected.by,
              reason: corrected.reason,
            })
          : t('own')}
      </p>
      {otherKeys ? (
        <Button size="large" href={`/desk/results/${testId}/rescore`}>
          {t('other')}
        </Button>
      ) : (
        <p className={entry.soft}>{t('none')}</p>
      )}
    </section>
  );
}
