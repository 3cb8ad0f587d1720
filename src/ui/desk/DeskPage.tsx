'use client';

import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import type { Act } from '@/core/access/access';
import { Page } from '../entry/Page';
import styles from './desk.module.css';
import { PAGES, type DeskPlace } from './pages';

interface Props {
  readonly name: string;
  /** What whoever is here may do. */
  readonly acts: readonly Act[];
  readonly place: DeskPlace;
  readonly children: ReactNode;
}

/** The frame of the adults' pages, with the ways to the others. */
export function DeskPage({ name, acts, place, children }: Props) {
  return (
    <Page name={name} wide>
      <Ways acts={acts} place={place} />
      {children}
    </Page>
  );
}

function Ways({ acts, place }: Pick<Props, 'acts' | 'place'>) {
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
