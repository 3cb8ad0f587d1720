'use client';

import type { ClassRow, DeskUser } from '@/core/wire/desk';
import { Table, type TableColumnsType } from 'antd';
import { useRef } from 'react';
import { useTranslations } from 'use-intl';
import entry from '../entry/entry.module.css';
import { useFocusKept } from '../kit/useFocusKept';
import { usePointsWords } from '../entry/usePointsWords';
import { DeskPage } from './DeskPage';
import { RoomCharts } from './RoomChart';
import { Rooms, type RoomsProps } from './Rooms';
import { SigningIn, type SigningInProps } from './SigningIn';
import { useLive } from './useLive';
import { Ways, WaysForAll } from './Ways';

/** A page gives a sign of life every few seconds; this long without one is told, in milliseconds. */
const SILENT_MS = 60_000;

/** States, the liveliest last. */
const LIVELY: readonly ClassRow['state'][] = ['handed-in', 'not-started', 'stopped', 'running'];

/** The adults' first page: who has done what, and who needs somebody. */
export function Desk({
  user,
  rows,
  rooms,
  signingIn,
}: {
  readonly user: DeskUser;
  readonly rows: readonly ClassRow[];
  readonly rooms: RoomsProps;
  readonly signingIn: SigningInProps;
}) {
  return (
    <DeskPage user={user} place="now">
      <DeskTable rows={rows} rooms={rooms} />
      <SigningIn {...signingIn} />
    </DeskPage>
  );
}

function DeskTable({
  rows: first,
  rooms,
}: {
  readonly rows: readonly ClassRow[];
  readonly rooms: RoomsProps;
}) {
  const t = useTranslations('desk');
  const words = usePointsWords();
  const notices = useNotices();
  const tableRef = useRef<HTMLDivElement>(null);
  // Whoever was let in is done with: the focus goes to who is next.
  useFocusKept(tableRef);
  const { rows, live } = useLive(first, tableRef);
  const columns: TableColumnsType<ClassRow> = [
    {
      key: 'student',
      title: t('student'),
      dataIndex: 'student',
      sorter: (a, b) => a.student.localeCompare(b.student),
    },
    { key: 'test', title: t('test'), dataIndex: 'test', width: 220 },
    {
      key: 'state',
      title: t('state'),
      render: (_, { state, held, ending, moving }) =>
        t(`states.${ending ? 'ending' : moving ? 'moving' : (held ?? state)}`),
    },
    { key: 'progress', title: t('progress'), render: (_, row) => <Progress row={row} /> },
    {
      key: 'notices',
      title: t('notices'),
      sorter: (a, b) =>
        notices(a).length - notices(b).length ||
        LIVELY.indexOf(a.state) - LIVELY.indexOf(b.state) ||
        b.student.localeCompare(a.student),
      // Who needs somebody stands first.
      defaultSortOrder: 'descend',
      render: (_, row) => (
        <>
          {notices(row).map((words) => (
            <div key={words}>{words}</div>
          ))}
          <Ways row={row} />
        </>
      ),
    },
    {
      key: 'score',
      title: t('score'),
      render: (_, { points }) => (points ? words(points) : t('noScore')),
    },
  ];
  return (
    <>
      <h1>{t('title')}</h1>
      <p className={entry.soft}>
        {t('text')} {live !== null && t(live ? 'live.on' : 'live.off')}{' '}
        <a href="/desk/log">{t('log.title')}</a>
      </p>
      <Rooms {...rooms} />
      <RoomCharts rows={rows} />
      <div ref={tableRef} tabIndex={-1}>
        <WaysForAll rows={rows} />
        <Table
          className={entry.table}
          columns={columns}
          dataSource={rows.map((row) => ({ ...row, key: row.assignmentId }))}
          pagination={rows.length > 50 ? { pageSize: 50 } : false}
          scroll={{ x: 'max-content' }}
          locale={{ emptyText: t('empty') }}
          // Its words would not be ours.
          showSorterTooltip={false}
        />
      </div>
    </>
  );
}

/** How far a student is, and what time is left. */
function Progress({ row: { progress, left } }: { readonly row: ClassRow }) {
  const t = useTranslations('desk');
  if (!progress) return t('noScore');
  const { answered, of, at } = progress;
  return (
    <>
      <div>{t('answered', { answered, of })}</div>
      {at !== null && <div>{t('atQuestion', { number: at })}</div>}
      {left !== null && <div>{t('left', { minutes: Math.ceil(left / 60_000) })}</div>}
    </>
  );
}

/** So little of the time is left that it is told, in milliseconds. */
const SOON_MS = 5 * 60_000;

/** What whoever supervises should know of a student now. */
function useNotices(): (row: ClassRow) => string[] {
  const t = useTranslations('desk.notice');
  return ({ waits, asks, locked, late, timesLeft, lowBattery, silentFor, left }) => [
    ...(asks > 0 ? [t('asks', { count: asks })] : waits ? [t('waits')] : []),
    ...(locked > 0 ? [t('locked', { count: locked })] : []),
    ...(late.length > 0 ? [t('late', { count: late.length })] : []),
    ...(silentFor !== null && silentFor > SILENT_MS
      ? [t('silent', { minutes: Math.floor(silentFor / 60_000) })]
      : []),
    ...(left !== null && left <= SOON_MS ? [t('soon', { minutes: Math.ceil(left / 60_000) })] : []),
    ...(lowBattery ? [t('battery')] : []),
    ...(timesLeft > 0 ? [t('left', { count: timesLeft })] : []),
  ];
}
