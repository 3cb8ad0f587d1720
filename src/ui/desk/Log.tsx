'use client';

import type { DeskUser, DoneRow } from '@/core/wire/desk';
import { Button, Table, type TableColumnsType } from 'antd';
import { useTranslations } from 'use-intl';
import entry from '../entry/entry.module.css';
import { DeskPage } from './DeskPage';
import desk from './desk.module.css';
import { useDateWords } from './useDateWords';
import { useFind } from './useFind';

interface Props {
  readonly user: DeskUser;
  readonly rows: readonly DoneRow[];
}

/** What whoever supervises has done, to whom and why. */
export function Log({ user, rows }: Props) {
  return (
    <DeskPage user={user} place="now">
      <LogTable rows={rows} />
    </DeskPage>
  );
}

function LogTable({ rows }: Pick<Props, 'rows'>) {
  const t = useTranslations('desk.log');
  const { dateTime } = useDateWords();
  const words = ({ done, detail }: DoneRow) => t(`done.${done}`, { detail });
  const { field, found } = useFind(t('search'), rows, (row) => [
    row.by,
    row.student,
    row.test,
    words(row),
    row.reason,
  ]);
  const columns: TableColumnsType<DoneRow> = [
    { key: 'at', title: t('at'), render: (_, { at }) => dateTime(at), sorter: (a, b) => a.id - b.id },
    { key: 'student', title: t('student'), render: (_, { student }) => student ?? '–' },
    { key: 'done', title: t('what'), render: (_, row) => words(row) },
    { key: 'reason', title: t('reason'), render: (_, { reason }) => (reason === '' ? '–' : reason) },
    { key: 'test', title: t('test'), render: (_, { test }) => test ?? '–' },
    { key: 'by', title: t('by'), dataIndex: 'by' },
  ];
  return (
    <>
      <h1>{t('title')}</h1>
      <p className={entry.soft}>{t('text')}</p>
      <div className={desk.find}>{field}</div>
      <p role="status" className={entry.soft}>
        {t('count', { count: found.length })}
      </p>
      <Table
        className={entry.table}
        columns={columns}
        dataSource={found.map((row) => ({ ...row, key: row.id }))}
        pagination={found.length > 50 ? { pageSize: 50, showSizeChanger: false } : false}
        scroll={{ x: 'max-content' }}
        locale={{ emptyText: t('empty') }}
        showSorterTooltip={false}
      />
      <p className={entry.ways}>
        <Button size="large" href="/desk">
          {t('back')}
        </Button>
      </p>
    </>
  );
}
