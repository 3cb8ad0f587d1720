'use client';

import { useTranslations } from 'use-intl';
import styles from './player.module.css';
import { Button } from '../kit/Button';

interface CoverProps {
  readonly title: string;
  readonly text: string;
  readonly action?: { readonly words: string; readonly act: () => void };
}

/** A whole-page message: loading went wrong, another computer took over, the time is up. */
export function Cover({ title, text, action }: CoverProps) {
  return (
    <main className={styles.cover}>
      <div className={styles.card} role="alert">
        <h1>{title}</h1>
        <p>{text}</p>
        {action && (
          <Button look="main" onClick={action.act}>
            {action.words}
          </Button>
        )}
      </div>
    </main>
  );
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
