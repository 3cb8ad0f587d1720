'use client';

import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useId, useRef } from 'react';
import { useTranslations } from 'use-intl';
import { useDateWords } from './useDateWords';
import { useAsk } from '../entry/useAsk';
import { useFocusKept } from '../kit/useFocusKept';
import { Chooser } from './Chooser';
import styles from './desk.module.css';

export interface RoomsProps {
  readonly rooms: readonly {
    readonly id: number;
    readonly code: string;
    readonly test: string;
    readonly inside: number;
  }[];
  readonly tests: readonly {
    readonly testId: number;
    readonly title: string;
    /** When its version came, where another one has the same title. */
    readonly importedAt: number | null;
  }[];
}

/** A code as it is read out: in two groups. */
const spaced = (code: string): string => `${code.slice(0, 3)} ${code.slice(3)}`;

/** The rooms that are open, each with the code to read out; and opening one for a test. */
export function Rooms({ rooms, tests }: RoomsProps) {
  const t = useTranslations('desk.rooms');
  const router = useRouter();
  const { dateTime } = useDateWords();
  const { working, problem, ask } = useAsk();
  const rootRef = useRef<HTMLElement>(null);
  const id = useId();
  useFocusKept(rootRef);
  const then = (done: unknown) => done !== null && router.refresh();
  return (
    <section ref={rootRef} tabIndex={-1} aria-labelledby={`${id}-rooms`} className={styles.rooms}>
      <h2 id={`${id}-rooms`}>{t('title')}</h2>
      <p>{t('text')}</p>
      <ul className={styles.roomList}>
        {rooms.map((room) => (
          <li key={room.id} className={styles.room}>
            <span className={styles.code}>{spaced(room.code)}</span>
            <span>
              <b>{room.test}</b>
              <br />
              {t('inside', { count: room.inside })}
            </span>
            <Button
              aria-label={t('closeOf', { test: room.test, code: spaced(room.code) })}
              aria-disabled={working || undefined}
              onClick={() => !working && void ask(`/api/rooms/${room.id}/close`, {}, true).then(then)}
            >
              {t('close')}
            </Button>
          </li>
        ))}
      </ul>
      <Chooser
        label={t('test')}
        placeholder={t('choose')}
        options={tests.map(({ testId, title, importedAt }) => ({
          value: testId,
          label: importedAt === null ? title : t('version', { title, date: dateTime(importedAt) }),
        }))}
        words={t('open')}
        working={working}
        onDo={(testId) => void ask('/api/rooms', { testId }, true).then(then)}
      />
      {problem}
    </section>
  );
}
