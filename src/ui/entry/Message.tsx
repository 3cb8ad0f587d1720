'use client';

import { Button } from 'antd';
import { useTranslations } from 'use-intl';
import styles from './entry.module.css';
import { Page } from './Page';

/** A page that is not there, or went wrong: what it means and where to go. */
export function Message({ kind, onAgain }: { kind: 'not-found' | 'error'; onAgain?: () => void }) {
  return (
    <Page>
      <MessageCard kind={kind} onAgain={onAgain} />
    </Page>
  );
}

function MessageCard({ kind, onAgain }: { kind: 'not-found' | 'error'; onAgain?: () => void }) {
  const t = useTranslations('errors');
  return (
    <section className={styles.card}>
      <h1>{kind === 'error' ? t('title') : t('notFoundTitle')}</h1>
      <p>{kind === 'error' ? t('text') : t('notFoundText')}</p>
      {onAgain && (
        <Button type="primary" size="large" onClick={onAgain}>
          {t('again')}
        </Button>
      )}{' '}
      <Button size="large" href="/">
        {t('home')}
      </Button>
    </section>
  );
}
