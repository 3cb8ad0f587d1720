'use client';

import { Button, Select, Space } from 'antd';
import { useRouter } from 'next/navigation';
import { useId, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { useAsk } from '../entry/useAsk';
import { useFocusKept } from '../kit/useFocusKept';
import styles from './desk.module.css';

export interface RoomsProps {
  readonly rooms: readonly {
    readonly id: number;
    readonly code: string;
    readonly test: string;
    readonly inside: number;
  }[];
  readonly tests: readonly { readonly testId: number; readonly title: string }[];
}

/** A code as it is read out: in two groups. */
const spaced = (code: string): string => `${code.slice(0, 3)} ${code.slice(3)}`;

/** The rooms that are open, each with the code to read out; and opening one for a test. */
export function Rooms({ rooms, tests }: RoomsProps) {
  const t = useTranslations('desk.rooms');
  const router = useRouter();
  const { working, problem, ask } = useAsk();
  const [testId, setTestId] = useState<number | null>(null);
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
      <Space wrap align="end">
        <label className={styles.choose}>
          {t('test')}
          <Select
            size="large"
            className={styles.select}
            value={testId}
            placeholder={t('choose')}
            options={tests.map((one) => ({ value: one.testId, label: one.title }))}
            onChange={setTestId}
          />
        </label>
        <Button
          size="large"
          aria-disabled={working || testId === null || undefined}
          onClick={() => !working && testId !== null && void ask('/api/rooms', { testId }, true).then(then)}
        >
          {t('open')}
        </Button>
      </Space>
      {problem}
    </section>
  );
}
