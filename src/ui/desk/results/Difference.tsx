'use client';

import type { RescoredQuestion, RescoredStudent, RescoringPreview } from '@/core/wire/results';
import { Table, type TableColumnsType } from 'antd';
import { useFormatter, useTranslations } from 'use-intl';
import entry from '../../entry/entry.module.css';

/** What scoring by other keys would change: for which questions, and for whom. */
export function Difference({ preview }: { readonly preview: RescoringPreview }) {
  const t = useTranslations('results.rescore');
  const { attempts, misfits, questions, students } = preview;
  if (misfits.length > 0)
    return (
      <>
        <p role="alert">
          <b>{t('misfits')}</b>
        </p>
        <ul>
          {misfits.map(({ ref, why }) => (
            <li key={ref}>{t(`misfit.${why}`, { question: ref })}</li>
          ))}
        </ul>
      </>
    );
  return (
    <>
      <p role="status">
        {students.length === 0
          ? t('nothing', { count: attempts })
          : t('changes', { changed: students.length, count: attempts })}
      </p>
      {questions.length > 0 && <Questions rows={questions} />}
      {students.length > 0 && <Students rows={students} />}
    </>
  );
}

function Questions({ rows }: { readonly rows: readonly RescoredQuestion[] }) {
  const t = useTranslations('results.rescore');
  return (
    <table className={entry.score}>
      <caption>{t('questions')}</caption>
      <thead>
        <tr>
          <th scope="col">{t('question')}</th>
          <th scope="col">{t('up')}</th>
          <th scope="col">{t('down')}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ ref, title, up, down }) => (
          <tr key={ref}>
            <th scope="row">
              {title} <span className={entry.soft}>{ref}</span>
            </th>
            <td>{up}</td>
            <td>{down}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Students({ rows }: { readonly rows: readonly RescoredStudent[] }) {
  const t = useTranslations('results.rescore');
  const format = useFormatter();
  const columns: TableColumnsType<RescoredStudent> = [
    {
      key: 'student',
      title: t('student'),
      render: (_, row) => <b>{row.student}</b>,
      sorter: (a, b) => a.student.localeCompare(b.student),
    },
    {
      key: 'before',
      title: t('before'),
      align: 'right',
      render: (_, row) => format.number(row.before),
      sorter: (a, b) => a.before - b.before,
    },
    {
      key: 'after',
      title: t('after'),
      align: 'right',
      render: (_, row) => format.number(row.after),
      sorter: (a, b) => a.after - b.after,
    },
    {
      key: 'change',
      title: t('change'),
      align: 'right',
      render: (_, row) => format.number(row.after - row.before, { signDisplay: 'exceptZero' }),
      sorter: (a, b) => a.after - a.before - (b.after - b.before),
    },
  ];
  return (
    <>
      <h3>{t('students')}</h3>
      <Table
        className={entry.table}
        columns={columns}
        dataSource={rows.map((row) => ({ ...row, key: row.attemptId }))}
        pagination={rows.length > 10 ? { pageSize: 10, showSizeChanger: false } : false}
        scroll={{ x: 'max-content' }}
        showSorterTooltip={false}
      />
    </>
  );
}
