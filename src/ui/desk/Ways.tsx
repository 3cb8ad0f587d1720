'use client';

import type { ClassRow } from '@/core/wire/desk';
import { Button, Space } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { useAsk } from '../entry/useAsk';
import styles from './desk.module.css';
import { LateDialog } from './LateDialog';
import { MoreDialog } from './MoreDialog';

/** What can be done for a student by one press: of whom, and what is asked of the server. */
const WAYS = [
  {
    name: 'letIn',
    isFor: ({ waits }: ClassRow) => waits,
    path: ({ assignmentId }: ClassRow) => `/api/assignments/${assignmentId}/let-in`,
  },
  {
    name: 'release',
    isFor: ({ held }: ClassRow) => held !== null,
    path: ({ attemptId }: ClassRow) => `/api/attempts/${attemptId ?? ''}/release`,
  },
  {
    name: 'unlock',
    isFor: ({ locked }: ClassRow) => locked > 0,
    path: ({ attemptId }: ClassRow) => `/api/attempts/${attemptId ?? ''}/unlock`,
  },
  {
    name: 'hold',
    isFor: ({ state, held }: ClassRow) => state === 'running' && held === null,
    path: ({ attemptId }: ClassRow) => `/api/attempts/${attemptId ?? ''}/hold`,
  },
] as const;

/** What can be done for one student now. */
export function Ways({ row }: { row: ClassRow }) {
  const t = useTranslations('desk');
  const router = useRouter();
  const { working, problem, ask } = useAsk();
  const [deciding, setDeciding] = useState(false);
  const [more, setMore] = useState(false);
  const { student, test, late, attemptId, progress, timed } = row;
  const ways = WAYS.filter(({ isFor }) => isFor(row));
  const waiting = late.length > 0;
  const named = (way: string) => t('wayOf', { way, student, test });
  return (
    <>
      <Space wrap>
        {ways.map(({ name, path }) => (
          <Button
            key={name}
            aria-label={named(t(`way.${name}`))}
            // One that is disabled would lose the focus.
            aria-disabled={working || undefined}
            onClick={() => !working && void ask(path(row), {}, true).then((done) => done && router.refresh())}
          >
            {t(`way.${name}`)}
          </Button>
        ))}
        {waiting && (
          <Button aria-label={named(t('way.late'))} aria-haspopup="dialog" onClick={() => setDeciding(true)}>
            {t('way.late')}
          </Button>
        )}
        {progress !== null && (
          <Button aria-label={named(t('way.more'))} aria-haspopup="dialog" onClick={() => setMore(true)}>
            {t('way.more')}
          </Button>
        )}
      </Space>
      {problem}
      {attemptId !== null && (
        <MoreDialog
          open={more}
          who={`${student} · ${test}`}
          attemptId={attemptId}
          timed={timed}
          onClose={() => setMore(false)}
        />
      )}
      {attemptId !== null && (
        <LateDialog
          open={deciding}
          who={`${student} · ${test}`}
          attemptId={attemptId}
          late={late}
          onClose={() => setDeciding(false)}
        />
      )}
    </>
  );
}

/** What can be done for several students at once: for each of them as by its own button. */
export function WaysForAll({ rows }: { rows: readonly ClassRow[] }) {
  const t = useTranslations('desk');
  const router = useRouter();
  const { working, problem, ask } = useAsk();
  const ways = WAYS.map((way) => ({ ...way, of: rows.filter(way.isFor) })).filter(({ of }) => of.length > 1);
  const go = async ({ path, of }: (typeof ways)[number]) => {
    // One after another: where one is refused, the rest are not asked for, and its reason is said.
    for (const row of of) if (!(await ask(path(row), {}, true))) break;
    router.refresh();
  };
  return (
    <>
      <Space wrap className={ways.length > 0 ? styles.forAll : undefined}>
        {ways.map((way) => (
          <Button
            key={way.name}
            aria-disabled={working || undefined}
            onClick={() => !working && void go(way)}
          >
            {t(`forAll.${way.name}`, { count: way.of.length })}
          </Button>
        ))}
      </Space>
      {problem}
    </>
  );
}
