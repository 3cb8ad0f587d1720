'use client';

import type { OpenSession } from '@/core/wire/people';
import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useRef } from 'react';
import { useTranslations } from 'use-intl';
import entry from '../../entry/entry.module.css';
import { useAsk } from '../../entry/useAsk';
import { useFocusKept } from '../../kit/useFocusKept';
import desk from '../desk.module.css';
import { useDateWords } from '../useDateWords';

/** Where somebody is signed in, each to be ended. */
export function Sessions({
  userId,
  sessions,
}: {
  readonly userId: number;
  readonly sessions: readonly OpenSession[];
}) {
  const t = useTranslations('person.sessions');
  const router = useRouter();
  const { dateTime } = useDateWords();
  const { working, problem, ask } = useAsk();
  const rootRef = useRef<HTMLElement>(null);
  useFocusKept(rootRef);
  const end = async (session: string | null) => {
    if (working) return;
    if (await ask(`/api/users/${userId}/end-session`, { session }, true)) router.refresh();
  };
  return (
    <section ref={rootRef} tabIndex={-1} aria-labelledby="sessions" className={desk.rooms}>
      <h2 id="sessions">{t('title')}</h2>
      <p role="status" className={entry.soft}>
        {t('count', { count: sessions.length })}
      </p>
      {problem}
      <ul className={desk.roomList}>
        {sessions.map(({ id, begunAt, seenAt, byRoom }, i) => (
          <li key={id} className={desk.room}>
            <span>
              {t(byRoom ? 'byRoom' : 'byPassword', { at: dateTime(begunAt) })}
              <br />
              <span className={entry.soft}>{t('seen', { at: dateTime(seenAt) })}</span>
            </span>
            <Button
              size="large"
              aria-disabled={working || undefined}
              aria-label={t('endOf', { number: i + 1, at: dateTime(begunAt) })}
              onClick={() => void end(id)}
            >
              {t('end')}
            </Button>
          </li>
        ))}
      </ul>
      {sessions.length > 1 && (
        <Button size="large" aria-disabled={working || undefined} onClick={() => void end(null)}>
          {t('endAll')}
        </Button>
      )}
    </section>
  );
}
