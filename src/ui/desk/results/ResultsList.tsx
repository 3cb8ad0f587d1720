'use client';

import type { DeskUser } from '@/core/wire/desk';
import type { TestWithResults } from '@/core/wire/results';
import { Button, Empty } from 'antd';
import { useTranslations } from 'use-intl';
import entry from '../../entry/entry.module.css';
import { DeskPage } from '../DeskPage';
import desk from '../desk.module.css';
import { useDateWords } from '../useDateWords';

interface Props {
  readonly user: DeskUser;
  readonly tests: readonly TestWithResults[];
}

/** The tests that have been handed in. */
export function ResultsList({ user, tests }: Props) {
  return (
    <DeskPage user={user} place="results">
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
      <ul className={desk.cards}>
        {tests.map((test) => (
          <li key={test.testId} className={desk.card}>
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
