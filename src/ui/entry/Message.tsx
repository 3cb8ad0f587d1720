'use client';

import { useTranslations } from 'use-intl';
import { Button } from '../kit/Button';
import { Words } from '../kit/Words';
import styles from './entry.module.css';

/**
 * A page that is not there, or went wrong: what it means and where to go. Made of as little as can be, since it comes with every
 * page; the colours are those the page was sent in.
 */
export function Message({ kind, onAgain }: { kind: 'not-found' | 'error'; onAgain?: () => void }) {
  return (
    <Words>
      <main className={styles.page}>
        <MessageCard kind={kind} onAgain={onAgain} />
      </main>
    </Words>
  );
}

function MessageCard({ kind, onAgain }: { kind: 'not-found' | 'error'; onAgain?: () => void }) {
  const t = useTranslations('errors');
  return (
    <section className={styles.card}>
      <h1>{kind === 'error' ? t('title') : t('notFoundTitle')}</h1>
      <p>{kind === 'error' ? t('text') : t('notFoundText')}</p>
      {onAgain && (
        <Button look="main" onClick={onAgain}>
          {t('again')}
        </Button>
      )}{' '}
      <a className={styles.home} href="/">
        {t('home')}
      </a>
    </section>
  );
}
