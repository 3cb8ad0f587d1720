'use client';

import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { usePlayer } from '../../attempt/PlayerContext';
import { Dialog } from './Dialog';
import styles from './dialogs.module.css';

/** Stopping for now: says what happens next, and is nothing like handing in. */
export function StopDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const t = useTranslations('stop');
  const { session, test } = usePlayer();
  const { lockAfter } = test.given;
  const [state, setState] = useState<'asking' | 'working' | 'failed'>('asking');
  const stop = () => {
    setState('working');
    session.stop().then(
      () => window.location.assign(session.student.tries ? '/desk/library' : '/tests'),
      () => setState('failed'),
    );
  };
  return (
    <Dialog
      open={open}
      title={t('title')}
      onClose={onClose}
      actions={[
        { words: t('no'), act: onClose },
        {
          words: state === 'working' ? t('working') : t('yes'),
          act: stop,
          main: true,
          disabled: state === 'working',
        },
      ]}
    >
      <p>{t('text')}</p>
      {lockAfter !== null && <p>{t('locks', { minutes: lockAfter })}</p>}
      {state === 'failed' && (
        <p className={styles.problem} role="alert">
          {t('failed')}
        </p>
      )}
    </Dialog>
  );
}
