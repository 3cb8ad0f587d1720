'use client';

import { useEffect, useRef, type RefObject } from 'react';
import { useTranslations } from 'use-intl';
import styles from './player.module.css';
import { Button } from '../kit/Button';
import { useFocusBack } from '../kit/useFocusBack';

interface CoverProps {
  readonly title: string;
  readonly text: string;
  /** Where the focus is taken to it: then it is read out by that. */
  readonly cardRef?: RefObject<HTMLDivElement | null>;
  readonly action?: { readonly words: string; readonly act: () => void };
}

/** A whole-page message: loading went wrong, another computer took over, the time is up. */
export function Cover({ title, text, action, cardRef }: CoverProps) {
  const actionRef = useRef<HTMLButtonElement>(null);
  // What had the focus may have gone with what stood here before.
  useEffect(() => {
    if (document.activeElement === document.body) actionRef.current?.focus();
  }, []);
  return (
    <main className={styles.cover}>
      <div
        ref={cardRef}
        tabIndex={cardRef && -1}
        className={styles.card}
        role={cardRef ? undefined : 'alert'}
      >
        <h1>{title}</h1>
        <p>{text}</p>
        {action && (
          <Button ref={actionRef} look="main" onClick={action.act}>
            {action.words}
          </Button>
        )}
      </div>
    </main>
  );
}

/** While a test is opened by a press in this page: the focus waits here, and goes to the test when it stands. */
export function OpeningCover(props: Pick<CoverProps, 'title' | 'text'>) {
  const cardRef = useRef<HTMLDivElement>(null);
  useFocusBack();
  useEffect(() => cardRef.current?.focus(), []);
  return <Cover {...props} cardRef={cardRef} />;
}

/** Another browser has this test now; it can be taken back. Answers not yet sent from here still are. */
export function MovedCover({ onTakeBack }: { onTakeBack: () => void }) {
  const t = useTranslations('covers');
  return (
    <Cover
      title={t('movedTitle')}
      text={t('movedText')}
      action={{ words: t('movedAction'), act: onTakeBack }}
    />
  );
}
