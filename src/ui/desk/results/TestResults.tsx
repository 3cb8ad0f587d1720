'use client';

import { Button, Space } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Act } from '@/core/access/access';
import entry from '../../entry/entry.module.css';
import { useAsk } from '../../entry/useAsk';
import { DeskPage } from '../DeskPage';
import { Figures, type FiguresShown } from './Figures';
import type { TestRow } from './ResultsList';
import { StudentsTable, type ResultRow } from './StudentsTable';
import styles from './results.module.css';

interface Props {
  readonly name: string;
  readonly acts: readonly Act[];
  readonly test: TestRow;
  readonly results: readonly ResultRow[];
  readonly figures: FiguresShown;
}

/** What came of a test: who got how much, and whether its questions work. */
export function TestResults({ name, acts, ...rest }: Props) {
  return (
    <DeskPage name={name} acts={acts} place="results">
      <Results {...rest} />
    </DeskPage>
  );
}

function Results({ test, results, figures }: Omit<Props, 'name' | 'acts'>) {
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
    </>
  );
}

/** Results that are held back, and letting them be told. */
function Told({ test }: { readonly test: TestRow }) {
  const t = useTranslations('results.told');
  const router = useRouter();
  const { working, problem, ask } = useAsk();
  const [done, setDone] = useState<string | null>(null);
  const doneRef = useRef<HTMLParagraphElement>(null);
  // The button that was pressed goes.
  useEffect(() => {
    if (done !== null) doneRef.current?.focus();
  }, [done]);
  const tell = async () => {
    const answer = await ask<{ changed: number }>(`/api/tests/${test.testId}/release`, { told: true }, true);
    if (!answer) return;
    setDone(t('done', { count: answer.changed }));
    router.refresh();
  };
  if (test.held === 0 && done === null) return null;
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
            onClick={() => !working && void tell()}
          >
            {t('release', { count: test.held })}
          </Button>
        </>
      )}
      <p ref={doneRef} role="status" tabIndex={-1}>
        {done}
      </p>
      {problem}
    </div>
  );
}
