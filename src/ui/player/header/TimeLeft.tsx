'use client';

import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { leftAt, toneOf, wordsOf } from '@/core/attempt/timing';
import * as z from 'zod/mini';
import { useAttempt, usePlayer, useKept } from '../../attempt/PlayerContext';
import styles from './header.module.css';
import { Press } from '../../kit/Button';

/** Whether the time left is hidden. */
const TIME = { schema: z.object({ hidden: z.boolean() }), initial: () => ({ hidden: false }) };

/** Time left in words and as a bar: quiet until ten minutes, outlined at ten, filled at five. The student may hide it. */
export function TimeLeft() {
  const t = useTranslations('time');
  const { session, announce } = usePlayer();
  const timing = useAttempt((state) => state.timing);
  const [{ hidden }, keep] = useKept('time', TIME);
  const [now, setNow] = useState(() => session.clock.now());
  const said = useRef<string | null>(null);

  useEffect(() => {
    const timer = setInterval(() => setNow(session.clock.now()), 1000);
    return () => clearInterval(timer);
  }, [session]);

  const left = leftAt(timing, now);
  const tone = left === null ? 'calm' : toneOf(left);
  useEffect(() => {
    if (tone === 'calm' || said.current === tone) return;
    said.current = tone;
    announce(t(`warning.${tone}`));
  }, [announce, t, tone]);

  if (left === null || timing.limit === null) return null;
  const { unit, count } = wordsOf(left);
  const words = t(unit, { count });
  return (
    <Press
      className={styles.time}
      data-tone={tone}
      aria-pressed={hidden}
      title={hidden ? t('show') : t('hide')}
      onClick={() => keep({ hidden: !hidden })}
    >
      {hidden ? (
        t('hidden')
      ) : (
        <>
          <span className={styles.bar} aria-hidden="true">
            <span style={{ width: `${(left / timing.limit) * 100}%` }} />
          </span>
          {words}
        </>
      )}
      <span className="visually-hidden">{hidden ? t('show') : t('hide')}</span>
    </Press>
  );
}
