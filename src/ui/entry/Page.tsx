'use client';

import { Button } from 'antd';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import type { NeedsLook } from '@/core/needs';
import { PLAIN_TEXT } from '@/core/view/text';
import { useHydrated } from '../kit/useHydrated';
import { useHasPassword, useIsGuest, useShownName } from '../kit/guest';
import { Look } from '../kit/Look';
import { Mark } from '../kit/Mark';
import { Words } from '../kit/Words';
import { forgetAllAttempts } from '../attempt/offline/forgetAll';
import styles from './entry.module.css';
import { LanguageSwitch } from './LanguageSwitch';
import { post } from '../kit/post';

const PLAIN: NeedsLook = { scheme: 'paper', own: null, inverted: false, magnification: 1, text: PLAIN_TEXT };

interface PageProps {
  /** Absent when nobody is signed in. */
  readonly name?: string;
  readonly needs?: NeedsLook;
  /** More room than a text to be read needs. */
  readonly wide?: boolean;
  readonly children: ReactNode;
}

/** The frame of every page outside the question screen, in the person's own colours and size. */
export function Page({ name, needs, wide = false, children }: PageProps) {
  return (
    <Words>
      <Look look={needs ?? PLAIN}>
        <div className={styles.page}>
          <Bar name={name} />
          <main className={styles.main} data-wide={wide || undefined}>
            {children}
          </main>
        </div>
      </Look>
    </Words>
  );
}

async function signOut(to: string): Promise<void> {
  await Promise.allSettled([post('/api/sign-out', {}), forgetAllAttempts()]);
  window.location.assign(to);
}

function Bar({ name }: { name?: string }) {
  const t = useTranslations('app');
  const guest = useIsGuest();
  const hasPassword = useHasPassword();
  const shown = useShownName(name ?? '');
  const hydrated = useHydrated();
  return (
    <header className={styles.bar}>
      <Mark className={styles.mark} />
      <b className={styles.brand}>{t('name')}</b>
      <LanguageSwitch />
      {name !== undefined && (
        <>
          <span className={styles.who}>{shown}</span>
          {hasPassword && (
            <Button type="text" href="/password">
              {t('password')}
            </Button>
          )}
          <Button disabled={!hydrated} onClick={() => void signOut(guest ? '/practice' : '/sign-in')}>
            {t(guest ? 'endPractice' : 'signOut')}
          </Button>
        </>
      )}
    </header>
  );
}
