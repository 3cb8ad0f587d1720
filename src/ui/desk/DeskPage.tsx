'use client';

import type { DeskUser } from '@/core/wire/desk';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import { Page } from '../entry/Page';
import styles from './desk.module.css';
import { PAGES, type DeskPlace } from './pages';

interface Props {
  readonly user: DeskUser;
  readonly place: DeskPlace;
  readonly children: ReactNode;
}

/** The frame of the adults' pages, with the ways to the others. */
export function DeskPage({ user, place, children }: Props) {
  return (
    <Page name={user.name} needs={user.needs} wide>
      <Ways acts={user.acts} place={place} />
      <div className={styles.desk}>{children}</div>
    </Page>
  );
}

function Ways({ acts, place }: Pick<DeskUser, 'acts'> & Pick<Props, 'place'>) {
  const t = useTranslations('desk.pages');
  const ways = PAGES.filter(({ act }) => acts.includes(act));
  if (ways.length < 2) return null;
  return (
    <nav aria-label={t('name')} className={styles.ways}>
      {ways.map((way) => (
        <a key={way.place} href={way.path} aria-current={way.place === place ? 'page' : undefined}>
          {t(way.place)}
        </a>
      ))}
    </nav>
  );
}
