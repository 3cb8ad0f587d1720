'use client';

import type { Slip } from '@/core/wire/people';
import { Button } from 'antd';
import { useEffect, useRef } from 'react';
import { useTranslations } from 'use-intl';
import styles from './people.module.css';

/** New passwords, each on a slip to be cut out: shown now and never again. On paper they are all there is. */
export function Slips({ slips, onClose }: { readonly slips: readonly Slip[]; readonly onClose: () => void }) {
  const t = useTranslations('people.slips');
  const headingRef = useRef<HTMLHeadingElement>(null);
  useEffect(() => headingRef.current?.focus(), []);
  return (
    <section className={styles.slips} aria-labelledby="slips">
      <h3 id="slips" ref={headingRef} tabIndex={-1}>
        {t('title', { count: slips.length })}
      </h3>
      <p className={styles.onScreen}>{t('text')}</p>
      <p className={styles.onScreen}>
        <Button type="primary" size="large" onClick={() => window.print()}>
          {t('print')}
        </Button>{' '}
        <Button size="large" onClick={onClose}>
          {t('close')}
        </Button>
      </p>
      <ul className={styles.slipList}>
        {slips.map((slip) => (
          <li key={slip.userId} className={styles.slip}>
            <b>{slip.displayName}</b>
            <dl>
              <dt>{t('name')}</dt>
              <dd>{slip.signInName}</dd>
              <dt>{t('password')}</dt>
              <dd translate="no">{slip.password}</dd>
            </dl>
          </li>
        ))}
      </ul>
    </section>
  );
}
