'use client';

import type { DeskUser, Student } from '@/core/wire/desk';
import type { LibraryQuestion, TestInLibrary } from '@/core/wire/library';
import { Button, Table, type TableColumnsType } from 'antd';
import { useTranslations } from 'use-intl';
import { ContentTitle } from '../../content/ContentView';
import entry from '../../entry/entry.module.css';
import { kindName } from '../../interactions/kindName';
import { DeskPage } from '../DeskPage';
import desk from '../desk.module.css';
import { useDateWords } from '../useDateWords';
import { TryForm } from './TryForm';

interface Props {
  readonly user: DeskUser;
  readonly test: TestInLibrary;
  /** Whose needs it can be tried with. */
  readonly students: readonly Student[];
  /** The attempt in which it is being tried out; null while it is not. */
  readonly trying: string | null;
}

/** A test of the library: tried out as a student, and its questions one by one. */
export function TestQuestions({ user, test, students, trying }: Props) {
  return (
    <DeskPage user={user} place="library">
      <Title test={test} />
      <TryForm testId={test.testId} students={students} trying={trying} />
      <Questions test={test} />
      <p className={entry.ways}>
        <Back />
      </p>
    </DeskPage>
  );
}

function Title({ test }: Pick<Props, 'test'>) {
  const t = useTranslations('library');
  const { dateTime } = useDateWords();
  return (
    <>
      <h1>
        <ContentTitle language={test.language}>{test.title}</ContentTitle>
      </h1>
      <p className={entry.soft}>
        {t('questions', { count: test.questions })} · {t('broughtAt', { date: dateTime(test.importedAt) })} ·{' '}
        {t('given', { count: test.given })} · {t('attempts', { count: test.attempts })}
      </p>
    </>
  );
}

function Back() {
  const t = useTranslations('library');
  return (
    <Button size="large" href="/desk/library">
      {t('back')}
    </Button>
  );
}

function Questions({ test: { testId, list } }: Pick<Props, 'test'>) {
  const t = useTranslations('library.list');
  const names = useTranslations('lessons.names');
  const address = (ref: string) => `/desk/library/${testId}/${encodeURIComponent(ref)}`;
  const columns: TableColumnsType<LibraryQuestion> = [
    {
      key: 'title',
      title: t('question'),
      render: (_, { ref, title }) => <a href={address(ref)}>{title}</a>,
      sorter: (a, b) => a.title.localeCompare(b.title),
    },
    { key: 'ref', title: t('ref'), dataIndex: 'ref', sorter: (a, b) => a.ref.localeCompare(b.ref) },
    {
      key: 'kinds',
      title: t('kinds'),
      render: (_, { kinds }) =>
        kinds.length > 0 ? kinds.map((kind) => names(kindName(kind))).join(', ') : t('noKind'),
    },
    {
      key: 'points',
      title: t('points'),
      align: 'right',
      render: (_, { points }) => points ?? '–',
      sorter: (a, b) => (a.points ?? 0) - (b.points ?? 0),
    },
    { key: 'scored', title: t('scored'), render: (_, one) => t(`by.${one.scoredBy}`) },
  ];
  return (
    <section aria-labelledby="questions" className={desk.rooms}>
      <h2 id="questions">{t('title')}</h2>
      <p>{t('text')}</p>
      <Table
        className={entry.table}
        columns={columns}
        dataSource={list.map((one) => ({ ...one, key: one.ref }))}
        pagination={list.length > 100 ? { pageSize: 100, showSizeChanger: false } : false}
        scroll={{ x: 'max-content' }}
        showSorterTooltip={false}
      />
    </section>
  );
}
