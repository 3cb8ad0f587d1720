'use client';

import { Table, type TableColumnsType } from 'antd';
import { useTranslations } from 'use-intl';
import type { Points } from '@/core/sitting/points';
import entry from '../entry/entry.module.css';
import { Page } from '../entry/Page';
import { usePointsWords } from '../entry/usePointsWords';

export interface DeskRow {
  readonly student: string;
  readonly test: string;
  readonly state: 'not-started' | 'stopped' | 'handed-in';
  readonly points: Points | null;
}

/** The adults' first page: who has done what. */
export function Desk({ name, rows }: { name: string; rows: readonly DeskRow[] }) {
  return (
    <Page name={name}>
      <DeskTable rows={rows} />
    </Page>
  );
}

function DeskTable({ rows }: { rows: readonly DeskRow[] }) {
  const t = useTranslations('desk');
  const words = usePointsWords();
  const columns: TableColumnsType<DeskRow> = [
    {
      key: 'student',
      title: t('student'),
      dataIndex: 'student',
      sorter: (a, b) => a.student.localeCompare(b.student),
    },
    { key: 'test', title: t('test'), dataIndex: 'test' },
    { key: 'state', title: t('state'), render: (_, row) => t(`states.${row.state}`) },
    {
      key: 'score',
      title: t('score'),
      render: (_, { points }) => (points ? words(points) : t('noScore')),
    },
  ];
  return (
    <>
      <h1>{t('title')}</h1>
      <p className={entry.soft}>{t('text')}</p>
      <Table
        className={entry.table}
        columns={columns}
        dataSource={rows.map((row, i) => ({ ...row, key: i }))}
        pagination={rows.length > 50 ? { pageSize: 50 } : false}
        scroll={{ x: 'max-content' }}
        locale={{ emptyText: t('empty') }}
      />
    </>
  );
}
