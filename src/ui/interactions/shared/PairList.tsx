'use client';

import { Unlink } from 'lucide-react';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import styles from './pairs.module.css';
import type { Joining } from './useJoining';
import { Button } from '../../kit/Button';

interface Props {
  readonly joining: Joining;
  readonly nameOf: (identifier: string) => string;
  readonly draw: (identifier: string) => ReactNode;
}

/** The pairs made so far, each with a button that parts it. */
export function PairList({ joining, nameOf, draw }: Props) {
  const t = useTranslations('interactions.joining');
  if (joining.pairs.length === 0) return <p className={styles.none}>{t('none')}</p>;
  return (
    <ul className={styles.pairs} aria-label={t('pairs')}>
      {joining.pairs.map(([a, b]) => (
        <li key={`${a} ${b}`} className={styles.pair} data-pair={`${a} ${b}`}>
          <span className={styles.end}>{draw(a)}</span>
          <span className={styles.bond} aria-hidden="true" />
          <span className="visually-hidden">{t('with')}</span>
          <span className={styles.end}>{draw(b)}</span>
          <Button
            look="quiet"
            aria-label={t('part', { a: nameOf(a), b: nameOf(b) })}
            title={t('partShort')}
            onClick={() => joining.part(a, b)}
          >
            <Unlink size="1.125em" aria-hidden="true" />
          </Button>
        </li>
      ))}
    </ul>
  );
}
