'use client';

import { useEffect } from 'react';
import { useTranslations } from 'use-intl';
import { useAttempt } from '../../attempt/PlayerContext';
import { FullCover } from '../../kit/FullCover';
import { quiet } from '../../kit/quiet';

/** Whoever supervises has paused the test: the screen is covered, nothing sounds, and all is as it was when it goes on. */
export function HeldCover() {
  const held = useAttempt(({ phase }) => phase === 'stopped');
  return held ? <Held /> : null;
}

function Held() {
  const t = useTranslations('covers');
  const timed = useAttempt(({ timing }) => timing.limit !== null);
  useEffect(quiet, []);
  return (
    <FullCover label={t('heldTitle')} place="middle">
      {/* The dialog gives it the focus, and so it is read out. */}
      <h1 tabIndex={-1}>{t('heldTitle')}</h1>
      <p>{t(timed ? 'heldText' : 'heldUntimed')}</p>
    </FullCover>
  );
}
