'use client';

import { Button, Empty } from 'antd';
import { useTranslations } from 'use-intl';
import type { Act } from '@/core/access/access';
import entry from '../../entry/entry.module.css';
import { DeskPage } from '../DeskPage';
import marking from '../marking/marking.module.css';
import { useDateWords } from '../useDateWords';

export interface TestRow {
  readonly testId: number;
  readonly title: string;
  readonly importedAt: number;
  readonly handedIn: number;
  readonly toMark: number;
  readonly held: number;
}
interface Props {
  readonly name: string;
  readonly acts: readonly Act[];
  readonly tests: readonly TestRow[];
}

/** The tests that have been handed in. */
export function ResultsList({ name, acts, tests }: Props) {
  return (
    <DeskPage name={name} acts={acts} place="results">
      <Tests tests={tests} />
    </DeskPage>
  );
}

function Tests({ tests }: Pick<Props, 'tests'>) {
  const t = useTranslations('results');
  const { dateTime } = useDateWords();
  return (
    <>
      <h1>{t('title')}</h1>
      <p className={entry.soft}>{t('text')}</p>
      {tests.length === 0 && <Empty description={t('empty')} image={Empty.PRESENTED_IMAGE_SIMPLE} />}
      <ul className={marking.questions}>
        {tests.map((test) => (
          <li key={test.testId} className={marking.question}>
            <div>
              <h2>{test.title}</h2>
              <p>
                {[
                  t('handedIn', { count: test.handedIn }),
                  ...(test.toMark > 0 ? [t('toMark', { count: test.toMark })] : []),
                  ...(test.held > 0 ? [t('held', { count: test.held })] : []),
                ].join(' · ')}
              </p>
              <p className={entry.soft}>{t('version', { date: dateTime(test.importedAt) })}</p>
            </div>
            <Button
              type="primary"
              size="large"
              href={`/desk/results/${test.testId}`}
              aria-label={t('openOf', { test: test.title })}
            >
              {t('open')}
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}
