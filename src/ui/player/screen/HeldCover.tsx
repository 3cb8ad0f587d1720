'use client';

import { useEffect, useRef } from 'react';
import { useTranslations } from 'use-intl';
import { useAttempt } from '../../attempt/PlayerContext';
import { useFocusBack } from '../../kit/useFocusBack';
import styles from './screen.module.css';

/** Whoever supervises has paused the test: the screen is covered, nothing sounds, and all is as it was when it goes on. */
export function HeldCover() {
  const held = useAttempt(({ phase }) => phase === 'stopped');
  return held ? <Held /> : null;
}

function Held() {
  const t = useTranslations('covers');
  const timed = useAttempt(({ timing }) => timing.limit !== null);
  const ref = useRef<HTMLDialogElement>(null);
  useFocusBack();
  useEffect(() => {
    const dialog = ref.current;
    // Over everything, an open dialog too.
    dialog?.showModal();
    for (const medium of document.querySelectorAll<HTMLMediaElement>('audio, video')) medium.pause();
    window.speechSynthesis?.cancel();
    return () => dialog?.close();
  }, []);
  return (
    <dialog
      ref={ref}
      className={styles.held}
      aria-labelledby="able-held"
      onCancel={(event) => event.preventDefault()}
      // A browser closes it at the second Escape whatever is said to the first.
      onClose={() => ref.current?.isConnected && ref.current.showModal()}
    >
      {/* The dialog gives it the focus, and so it is read out. */}
      <h1 id="able-held" tabIndex={-1}>
        {t('heldTitle')}
      </h1>
      <p>{t(timed ? 'heldText' : 'heldUntimed')}</p>
    </dialog>
  );
}
