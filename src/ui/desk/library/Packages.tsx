'use client';

import type { LibraryPackage, LibraryTest, LibraryVersion } from '@/core/wire/library';
import { Button, Empty, Space } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { ContentTitle } from '../../content/ContentView';
import entry from '../../entry/entry.module.css';
import { useAsk } from '../../entry/useAsk';
import { Fold } from '../../kit/Fold';
import desk from '../desk.module.css';
import { Problems } from '../Problems';
import { useFocusKept } from '../../kit/useFocusKept';
import { useDateWords } from '../useDateWords';
import { useFind } from '../useFind';

/** Every package that is here, by the tests in it; older versions are folded away. */
export function Packages({ packages }: { readonly packages: readonly LibraryPackage[] }) {
  const t = useTranslations('library');
  const [gone, setGone] = useState<string | null>(null);
  const goneRef = useRef<HTMLParagraphElement>(null);
  useEffect(() => {
    // The button that was pressed has gone with what it stood for.
    if (gone !== null) goneRef.current?.focus();
  }, [gone]);
  const { field, found } = useFind(t('search'), packages, ({ identifier, versions }) => [
    identifier,
    ...versions.flatMap(({ tests }) => tests.map(({ title }) => title)),
  ]);
  return (
    <section aria-labelledby="packages" className={desk.rooms}>
      <h2 id="packages">{t('here')}</h2>
      <div className={desk.find}>{field}</div>
      <p role="status" className={entry.soft}>
        {t('count', { count: found.length })}
      </p>
      {gone !== null && (
        <p ref={goneRef} tabIndex={-1}>
          {t('deleted', { date: gone })}
        </p>
      )}
      {packages.length === 0 && <Empty description={t('empty')} image={Empty.PRESENTED_IMAGE_SIMPLE} />}
      <ul className={desk.cards}>
        {found.map(({ identifier, versions: [newest, ...older] }) =>
          newest ? (
            <li key={identifier} className={desk.card}>
              <Version version={newest} onGone={setGone} />
              {older.length > 0 && (
                <Fold title={t('older', { count: older.length })} className={desk.whole}>
                  <ul className={desk.cards}>
                    {older.map((one) => (
                      <li key={one.packageId} className={desk.card}>
                        <Version version={one} onGone={setGone} />
                      </li>
                    ))}
                  </ul>
                </Fold>
              )}
            </li>
          ) : null,
        )}
      </ul>
    </section>
  );
}

interface VersionProps {
  readonly version: LibraryVersion;
  /** @param date of the version that is gone, in words */
  readonly onGone: (date: string) => void;
}

function Version({ version, onGone }: VersionProps) {
  const t = useTranslations('library');
  const router = useRouter();
  const { dateTime } = useDateWords();
  const { working, problem, ask } = useAsk();
  const [sure, setSure] = useState(false);
  const waysRef = useRef<HTMLDivElement>(null);
  // Whoever keeps it is back at what they pressed first.
  useFocusKept(waysRef);
  const { packageId, tests, items, problems, hasSources, unused } = version;
  const date = dateTime(version.importedAt);
  const [first] = tests;
  const named = first ? first.title : t('noTest');
  const take = async () => {
    if (!(await ask(`/api/library/${packageId}/delete`, {}, true))) return;
    onGone(date);
    router.refresh();
  };
  return (
    <div className={desk.whole}>
      {tests.map((test) => (
        <TestLine key={test.testId} test={test} />
      ))}
      {tests.length === 0 && <p>{t('noTest')}</p>}
      <p className={entry.soft}>{t('version', { date, items })}</p>
      {problems.length > 0 && (
        <Fold title={t('report', { count: problems.length })}>
          <Problems problems={problems} />
        </Fold>
      )}
      {problem}
      <div ref={waysRef} tabIndex={-1}>
        <Space wrap className={desk.below}>
          {hasSources ? (
            <Button
              size="large"
              href={`/api/library/${packageId}/export/package.zip`}
              download={`${named}.zip`}
              aria-label={t('exportOf', { test: named })}
            >
              {t('export')}
            </Button>
          ) : (
            <span className={entry.soft}>{t('noSources')}</span>
          )}
          {unused && (
            <Button
              size="large"
              danger={sure}
              aria-label={t(sure ? 'deleteSureOf' : 'deleteOf', { test: named, date })}
              aria-disabled={working || undefined}
              onClick={() => (sure ? !working && void take() : setSure(true))}
            >
              {t(sure ? 'deleteSure' : 'delete')}
            </Button>
          )}
          {sure && (
            <Button size="large" onClick={() => setSure(false)}>
              {t('keep')}
            </Button>
          )}
        </Space>
      </div>
    </div>
  );
}

function TestLine({ test }: { readonly test: LibraryTest }) {
  const t = useTranslations('library');
  return (
    <div className={desk.line}>
      <div>
        <h3>
          <ContentTitle language={test.language}>{test.title}</ContentTitle>
        </h3>
        <p>
          {t('questions', { count: test.questions })} · {t('given', { count: test.given })} ·{' '}
          {t('attempts', { count: test.attempts })}
        </p>
      </div>
      <Button
        type="primary"
        size="large"
        href={`/desk/library/${test.testId}`}
        aria-label={t('lookOf', { test: test.title })}
      >
        {t('look')}
      </Button>
    </div>
  );
}
