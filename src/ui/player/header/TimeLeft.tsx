'use client';

import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { nextToEnd } from '@/core/attempt/clocks';
import { WHOLE_TEST } from '@/core/attempt/state';
import { toneOf, wordsOf } from '@/core/attempt/timing';
import { own } from '@/core/own';
import * as z from 'zod/mini';
import { useAttempt, usePlayer, useKept } from '../../attempt/PlayerContext';
import styles from './header.module.css';
import { Press } from '../../kit/Button';

/** Whether the time left is hidden. */
const TIME = { schema: z.object({ hidden: z.boolean() }), initial: () => ({ hidden: false }) };

/** What whoever supervises has added is shown beside it so long, in milliseconds. */
const GIVEN_MS = 20_000;

/** Time left in words and as a bar: quiet until ten minutes, outlined at ten, filled at five. The student may hide it. */
export function TimeLeft() {
  const t = useTranslations('time');
  const { session, test, announce } = usePlayer();
  const state = useAttempt((all) => all);
  const [{ hidden }, keep] = useKept('time', TIME);
  const [now, setNow] = useState(() => session.clock.now());
  const said = useRef<string | null>(null);

  useEffect(() => {
    const timer = setInterval(() => setNow(session.clock.now()), 1000);
    return () => clearInterval(timer);
  }, [session]);

  const added = own(state.added, WHOLE_TEST) ?? 0;
  const [given, setGiven] = useState({ added, minutes: 0, at: 0 });
  if (added !== given.added)
    setGiven({ added, minutes: Math.round((added - given.added) / 60_000), at: now });
  useEffect(() => {
    if (given.minutes > 0) announce(t('added', { minutes: given.minutes }));
  }, [announce, given, t]);

  const clock = nextToEnd(test, state, now);
  const tone = clock ? toneOf(clock.left, clock.maximum) : 'calm';
  const kind = clock?.kind ?? 'test';
  const title = clock?.title ?? '';
  useEffect(() => {
    const sign = `${kind} ${title} ${tone}`;
    if (tone === 'calm' || said.current === sign) return;
    said.current = sign;
    announce(t(`warning.${tone}`, { kind, title }));
  }, [announce, kind, t, title, tone]);

  if (!clock) return null;
  const { left, maximum } = clock;
  const { unit, count } = wordsOf(left);
  const words = t(unit, { count, kind });
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
            <span style={{ width: `${(left / maximum) * 100}%` }} />
          </span>
          {words}
          {given.minutes > 0 && now - given.at < GIVEN_MS && (
            <b aria-hidden="true">{t('addedShort', { minutes: given.minutes })}</b>
          )}
        </>
      )}
      <span className="visually-hidden">{hidden ? t('show') : t('hide')}</span>
    </Press>
  );
}
