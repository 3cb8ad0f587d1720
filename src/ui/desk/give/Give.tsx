'use client';

import type { DeskUser, GivableTest, Given, GivenTimes, GivenTo } from '@/core/wire/desk';
import { Button, Select } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { USUAL, type AssignmentOptions } from '@/core/item/options';
import entry from '../../entry/entry.module.css';
import { useAsk } from '../../entry/useAsk';
import { useHydrated } from '../../kit/useHydrated';
import { DeskPage } from '../DeskPage';
import { Labelled } from '../../entry/Labelled';
import { GivenTable } from './GivenTable';
import { Afterwards, HowTaken, WhatFor } from './HowTaken';
import { useDateWords } from '../useDateWords';
import { NeedsOf } from './NeedsOf';
import { NO_TIMES, Times } from './Times';
import { everyone, ToWhom, type ToWhomProps } from './ToWhom';
import styles from './give.module.css';

interface Props extends Pick<ToWhomProps, 'classes' | 'students'> {
  readonly user: DeskUser;
  readonly tests: readonly GivableTest[];
  readonly given: readonly Given[];
}

/** Who takes which test, when, and how: given here, changed here, taken back here. */
export function Give({ user, given, ...form }: Props) {
  const [changed, setChanged] = useState<Given | null>(null);
  return (
    <DeskPage user={user} place="give">
      {/* What is to be changed is put into the form anew. */}
      <GiveForm key={changed?.assignmentId ?? 0} {...form} changed={changed} />
      <GivenTable given={given} onChange={setChanged} />
      <NeedsOf students={form.students} />
    </DeskPage>
  );
}

function GiveForm({
  tests,
  classes,
  students,
  changed,
}: Omit<Props, 'user' | 'given'> & { readonly changed: Given | null }) {
  const t = useTranslations('give');
  const router = useRouter();
  const hydrated = useHydrated();
  const { dateTime } = useDateWords();
  const { working, problem, ask } = useAsk();
  const [testId, setTestId] = useState<number | null>(changed?.testId ?? null);
  const [whom, setWhom] = useState<readonly string[]>(changed ? [`student ${changed.studentId}`] : []);
  const [times, setTimes] = useState<GivenTimes>(
    changed ? { opensAt: changed.opensAt, closesAt: changed.closesAt } : NO_TIMES,
  );
  const [options, setOptions] = useState<AssignmentOptions>(changed?.options ?? USUAL);
  const [done, setDone] = useState<string | null>(null);
  const [missing, setMissing] = useState(false);
  const testRef = useRef<React.ComponentRef<typeof Select>>(null);
  useEffect(() => {
    // What is to be changed stands above what it was chosen from.
    if (changed) testRef.current?.focus();
  }, [changed]);
  const to = everyone(whom, classes);
  const inOrder = times.opensAt === null || times.closesAt === null || times.closesAt > times.opensAt;
  // The version a student has begun stays in the list while it is being changed.
  const listed =
    changed && !tests.some((one) => one.testId === changed.testId)
      ? [...tests, { testId: changed.testId, title: changed.test, importedAt: 0 }]
      : tests;
  const give = async () => {
    setDone(null);
    const ready = testId !== null && to.length > 0 && inOrder;
    setMissing(!ready);
    if (!ready || working) return;
    const counts = await ask<GivenTo>(
      '/api/assignments/give',
      { ...times, testId, students: to, options },
      true,
    );
    if (!counts) return;
    setDone(t('done', { ...counts }));
    router.refresh();
  };
  return (
    <section aria-labelledby="give" className={styles.form}>
      <h1 id="give">{t('title')}</h1>
      <p className={entry.soft}>{t('text')}</p>
      <div className={styles.columns}>
        <div className={styles.column}>
          <Labelled label={t('test')}>
            {(id) => (
              <Select
                id={id}
                size="large"
                ref={testRef}
                value={testId}
                placeholder={t('chooseTest')}
                options={listed.map((one) => ({
                  value: one.testId,
                  label: one.title,
                  title: one.importedAt > 0 ? t('version', { date: dateTime(one.importedAt) }) : undefined,
                }))}
                onChange={setTestId}
                showSearch={{ optionFilterProp: 'label' }}
                status={missing && testId === null ? 'error' : undefined}
              />
            )}
          </Labelled>
          {testId !== null && <a href={`/desk/library/${testId}`}>{t('look')}</a>}
          {missing && testId === null && <p className={styles.missing}>{t('testMissing')}</p>}
          <ToWhom
            classes={classes}
            students={students}
            whom={whom}
            onChange={setWhom}
            missing={missing && to.length === 0}
          />
          <WhatFor options={options} onChange={setOptions} given={changed?.options ?? null} />
          <Times times={times} onChange={setTimes} inOrder={inOrder} />
          <Afterwards options={options} onChange={setOptions} />
        </div>
        <HowTaken options={options} onChange={setOptions} />
      </div>
      {problem}
      <div className={styles.giveRow}>
        <Button
          type="primary"
          size="large"
          disabled={!hydrated}
          aria-disabled={working || undefined}
          onClick={() => void give()}
        >
          {t('give', { count: to.length })}
        </Button>
        <p role="status">{done}</p>
      </div>
    </section>
  );
}
