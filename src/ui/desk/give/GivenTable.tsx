'use client';

import type { Given } from '@/core/wire/desk';
import { Button, Input, Space, Table, type TableColumnsType } from 'antd';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { USUAL } from '@/core/item/options';
import entry from '../../entry/entry.module.css';
import { useAsk } from '../../entry/useAsk';
import { useFocusKept } from '../../kit/useFocusKept';
import desk from '../desk.module.css';
import { Labelled } from '../../entry/Labelled';
import { useDateWords } from '../useDateWords';

/** What is given by now, to be changed or taken back. */
export function GivenTable({
  given,
  onChange,
}: {
  readonly given: readonly Given[];
  readonly onChange: (row: Given) => void;
}) {
  const t = useTranslations('give.given');
  const router = useRouter();
  const { working, problem, ask } = useAsk();
  const [sought, setSought] = useState('');
  const { when, how } = useGivenWords();
  const rootRef = useRef<HTMLElement>(null);
  useFocusKept(rootRef);
  const wanted = sought.trim().toLocaleLowerCase();
  const rows = given.filter(({ student, test }) => `${student} ${test}`.toLocaleLowerCase().includes(wanted));
  const tryAs = async ({ assignmentId }: Given) => {
    const begun = await ask<{ attemptId: string }>(`/api/assignments/${assignmentId}/try`, {});
    if (begun) window.location.assign(`/attempts/${begun.attemptId}`);
  };
  const takeBack = async ({ assignmentId }: Given) => {
    if (await ask(`/api/assignments/${assignmentId}/take-back`, {}, true)) router.refresh();
  };
  const columns: TableColumnsType<Given> = [
    {
      key: 'student',
      title: t('student'),
      dataIndex: 'student',
      sorter: (a, b) => a.student.localeCompare(b.student),
    },
    {
      key: 'test',
      title: t('test'),
      dataIndex: 'test',
      sorter: (a, b) => a.test.localeCompare(b.test),
    },
    { key: 'when', title: t('when'), render: (_, row) => when(row) },
    { key: 'how', title: t('how'), render: (_, row) => how(row) },
    {
      key: 'ways',
      title: t('ways'),
      render: (_, row) => (
        <Space wrap>
          <Button
            aria-label={t('changeOf', { student: row.student, test: row.test })}
            onClick={() => onChange({ ...row })}
          >
            {t('change')}
          </Button>
          <Button
            aria-label={t('tryOf', { student: row.student, test: row.test })}
            aria-disabled={working || undefined}
            onClick={() => !working && void tryAs(row)}
          >
            {t('try')}
          </Button>
          <Button href={`/desk/people/${row.studentId}`} aria-label={t('needsOf', { student: row.student })}>
            {t('needs')}
          </Button>
          {row.begun ? (
            <span className={entry.soft}>{t('begun')}</span>
          ) : (
            <Button
              aria-label={t('takeBackOf', { student: row.student, test: row.test })}
              aria-disabled={working || undefined}
              onClick={() => !working && void takeBack(row)}
            >
              {t('takeBack')}
            </Button>
          )}
        </Space>
      ),
    },
  ];
  return (
    <section ref={rootRef} tabIndex={-1} aria-labelledby="given" className={desk.rooms}>
      <h2 id="given">{t('title')}</h2>
      <Labelled label={t('search')}>
        {(id) => (
          <Input
            id={id}
            size="large"
            className={desk.select}
            value={sought}
            onChange={({ target }) => setSought(target.value)}
          />
        )}
      </Labelled>
      <p role="status" className={entry.soft}>
        {t('count', { count: rows.length })}
      </p>
      {problem}
      <Table
        className={entry.table}
        columns={columns}
        dataSource={rows.map((row) => ({ ...row, key: row.assignmentId }))}
        pagination={rows.length > 25 ? { pageSize: 25, showSizeChanger: false } : false}
        scroll={{ x: 'max-content' }}
        locale={{ emptyText: t('empty') }}
        showSorterTooltip={false}
      />
    </section>
  );
}

/** How something is given, in words; what is as usual is not said. */
function useGivenWords() {
  const t = useTranslations('give.given');
  const { dateTime } = useDateWords();
  return {
    when: ({ opensAt, closesAt }: Given): string =>
      [
        ...(opensAt === null ? [] : [t('from', { date: dateTime(opensAt) })]),
        ...(closesAt === null ? [] : [t('until', { date: dateTime(closesAt) })]),
      ].join(' ') || t('anyTime'),
    how: ({ options }: Given): string =>
      [
        ...(['practice', 'onePage', 'mixed', 'goAhead', 'ownsScreen', 'fetchFirst'] as const)
          .filter((name) => options[name])
          .map((name) => t(`options.${name}`)),
        ...(options.toolsOff.length > 0 ? [t('options.toolsOff', { count: options.toolsOff.length })] : []),
        ...(options.times > 1 ? [t('options.times', { times: options.times })] : []),
        ...(options.practice || options.lockAfter === USUAL.lockAfter
          ? []
          : [
              options.lockAfter === null
                ? t('options.neverLocked')
                : t('options.lockAfter', { minutes: options.lockAfter }),
            ]),
        ...(options.tells === 'answers' ? [] : [t(`options.${options.tells}`)]),
        ...(options.held ? [t('options.held')] : []),
        ...(options.needed === null ? [] : [t('options.needed', { points: options.needed })]),
      ].join(' · ') || t('asUsual'),
  };
}
