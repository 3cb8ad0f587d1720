'use client';

import { Check, CloudOff, LoaderCircle, TriangleAlert } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { useTranslations } from 'use-intl';
import { usePlayer, useStatus } from '../../attempt/PlayerContext';
import styles from './header.module.css';

const ICONS = { saved: Check, saving: LoaderCircle, kept: CloudOff, 'at-risk': TriangleAlert };

/** Says truthfully where the answers are: with the server, on the way, on this computer, or only in this window. */
export function SaveSign() {
  const t = useTranslations('save');
  const { save, signedOut } = useStatus();
  const { goesOnOffline } = usePlayer();
  const Icon = ICONS[save];
  const words = signedOut ? t('signedOut') : t(save);
  useToldIfBad(save === 'kept' || save === 'at-risk' || signedOut, save === 'saved', words);
  return (
    <p
      className={styles.save}
      data-save={save}
      title={t(save === 'kept' && goesOnOffline ? 'explain.keptWhole' : `explain.${save}`)}
      data-offline={goesOnOffline ? 'ready' : undefined}
    >
      <Icon size="1.15em" aria-hidden="true" />
      {words}
    </p>
  );
}

/** Saving is spoken of only when it fails, and when it is well again. */
function useToldIfBad(bad: boolean, well: boolean, words: string): void {
  const { announce } = usePlayer();
  const told = useRef<string | null>(null);
  useEffect(() => {
    const back = well && told.current !== null;
    if (!bad && !back) return;
    if (told.current === words) return;
    told.current = back ? null : words;
    announce(words, 'save');
  }, [announce, bad, well, words]);
}
