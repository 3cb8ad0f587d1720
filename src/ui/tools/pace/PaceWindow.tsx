'use client';

import { useEffect, useState } from 'react';
import { useTranslations } from 'use-intl';
import { sharedTime } from '@/core/attempt/clocks';
import { paceOf } from '@/core/tools/pace';
import { useAttempt, usePlayer } from '../../attempt/PlayerContext';
import styles from './pace.module.css';

const SECOND = 1000;

/** Time used against an even share, for whoever asks for it: it stands there to be looked at, and never sounds an alarm. */
export function PaceWindow() {
  const t = useTranslations('tools.pace');
  const { session, test } = usePlayer();
  const state = useAttempt((all) => all);
  const [now, setNow] = useState(() => session.clock.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(session.clock.now()), 5 * SECOND);
    return () => clearInterval(timer);
  }, [session]);
  const time = sharedTime(test, state, now);
  if (!time) return <p className={styles.pace}>{t('untimed')}</p>;
  const { kind, limit, used, questions, done } = time;
  const pace = paceOf(used, limit, { questions, done });
  if (!pace) return null;
  const minutes = (ms: number) => Math.round(ms / (60 * SECOND));
  const share = Math.round(pace.share / (15 * SECOND)) * 15;
  return (
    // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- a window that scrolls must be reachable by keys
    <div className={styles.pace} role="group" aria-label={t('name')} tabIndex={0}>
      <p>{t('used', { used: minutes(used), limit: minutes(limit), kind })}</p>
      <div className={styles.line} aria-hidden="true">
        <span style={{ width: `${Math.min(100, (used / limit) * 100)}%` }} />
      </div>
      <p>{t('done', { done, questions })}</p>
      <div className={styles.line} data-done="" aria-hidden="true">
        <span style={{ width: `${(done / questions) * 100}%` }} />
      </div>
      <p>{t('share', { minutes: Math.floor(share / 60), seconds: share % 60 })}</p>
      <p>
        <b>{t('at', { number: pace.at })}</b>{' '}
        {pace.ahead >= 0 ? t('well') : t('behind', { count: -pace.ahead })}
      </p>
      <p className={styles.hint}>{t('hint')}</p>
    </div>
  );
}
