'use client';

import type { StudentResult } from '@/core/wire/results';
import { Button, Select, Table, type TableColumnsType } from 'antd';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import entry from '../../entry/entry.module.css';
import { usePointsWords } from '../../entry/usePointsWords';
import desk from '../desk.module.css';
import { Labelled } from '../../entry/Labelled';
import { usePrinting } from '../../kit/usePrinting';
import { useDateWords } from '../useDateWords';
import { useFind } from '../useFind';

type Only = 'all' | 'toMark' | 'held';

const shareOf = ({ points }: StudentResult): number =>
  points === null || points.maximum === 0 ? -1 : points.score / points.maximum;

/** Who handed it in, and what it is worth. */
export function StudentsTable({
  testId,
  results,
}: {
  readonly testId: number;
  readonly results: readonly StudentResult[];
}) {
  const t = useTranslations('results.students');
  const words = usePointsWords();
  const { dateTime } = useDateWords();
  const printing = usePrinting();
  const [only, setOnly] = useState<Only>('all');
  const { field, found } = useFind(t('search'), results, (row) => [row.student, row.signInName]);
  const rows = found.filter((row) => only === 'all' || row[only]);
  const columns: TableColumnsType<StudentResult> = [
    {
      key: 'student',
      title: t('student'),
      render: (_, row) => (
        <>
          <b>{row.student}</b> <span className={entry.soft}>{row.signInName}</span>
        </>
      ),
      sorter: (a, b) => a.student.localeCompare(b.student),
    },
    {
      key: 'points',
      title: t('points'),
      render: (_, row) => (row.points ? words(row.points) : '–'),
      sorter: (a, b) => (a.points?.score ?? -1) - (b.points?.score ?? -1),
    },
    {
      key: 'share',
      title: t('share'),
      align: 'right',
      render: (_, row) => (shareOf(row) < 0 ? '–' : `${Math.round(shareOf(row) * 100)} %`),
      sorter: (a, b) => shareOf(a) - shareOf(b),
    },
    {
      key: 'minutes',
      title: t('minutes'),
      align: 'right',
      render: (_, row) => Math.round(row.usedMs / 60_000),
      sorter: (a, b) => a.usedMs - b.usedMs,
    },
    {
      key: 'handedIn',
      title: t('handedIn'),
      render: (_, row) => dateTime(row.handedInAt),
      sorter: (a, b) => a.handedInAt - b.handedInAt,
    },
    {
      key: 'ways',
      title: t('ways'),
      render: (_, row) => (
        <Button
          href={`/desk/results/${testId}/${row.attemptId}`}
          aria-label={t('answersOf', { student: row.student })}
        >
          {t('answers')}
        </Button>
      ),
    },
  ];
  return (
    <section aria-labelledby="students" className={desk.rooms}>
      <h2 id="students">{t('title')}</h2>
      <div className={desk.find}>
        {field}
        <Labelled label={t('show')}>
          {(id) => (
            <Select<Only>
              id={id}
              size="large"
              value={only}
              onChange={setOnly}
              options={(['all', 'toMark', 'held'] as const).map((value) => ({
                value,
                label: t(`only.${value}`),
              }))}
            />
          )}
        </Labelled>
      </div>
      <p role="status" className={entry.soft}>
        {t('count', { count: rows.length })}
      </p>
      <Table
        className={entry.table}
        columns={columns}
        dataSource={rows.map((row) => ({ ...row, key: row.attemptId }))}
        pagination={rows.length > 25 && !printing ? { pageSize: 25, showSizeChanger: false } : false}
        scroll={{ x: 'max-content' }}
        locale={{ emptyText: t('empty') }}
        showSorterTooltip={false}
      />
    </section>
  );
}
