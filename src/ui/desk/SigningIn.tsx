'use client';

import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useId, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { useAsk } from '../entry/useAsk';
import { useFocusKept } from '../kit/useFocusKept';
import { Chooser } from './Chooser';
import styles from './desk.module.css';

export interface SigningInProps {
  /** Who must wait after wrong tries. */
  readonly delayed: readonly {
    readonly name: string;
    readonly displayName: string;
    readonly seconds: number;
  }[];
  readonly students: readonly { readonly id: number; readonly name: string }[];
}

/** What can be done about signing in: letting somebody try again at once, and ending every session of a student. */
export function SigningIn({ delayed, students }: SigningInProps) {
  const t = useTranslations('desk.signingIn');
  const router = useRouter();
  const { working, problem, ask } = useAsk();
  const [done, setDone] = useState<string | null>(null);
  const rootRef = useRef<HTMLElement>(null);
  const id = useId();
  useFocusKept(rootRef);
  const signOut = async (student: number) => {
    setDone(null);
    if ((await ask(`/api/users/${student}/sign-out`, {}, true)) === null) return;
    setDone(t('signedOut', { student: students.find((one) => one.id === student)?.name ?? '' }));
    router.refresh();
  };
  return (
    <section ref={rootRef} tabIndex={-1} aria-labelledby={`${id}-signing`} className={styles.rooms}>
      <h2 id={`${id}-signing`}>{t('title')}</h2>
      {delayed.length > 0 && (
        <ul className={styles.roomList}>
          {delayed.map(({ name, displayName, seconds }) => (
            <li key={name} className={styles.room}>
              <span>{t('waits', { student: displayName, name, seconds })}</span>
              <Button
                aria-label={t('liftOf', { student: displayName })}
                aria-disabled={working || undefined}
                onClick={() =>
                  !working &&
                  void ask('/api/sign-in/lift', { name }, true).then(
                    (all) => all !== null && router.refresh(),
                  )
                }
              >
                {t('lift')}
              </Button>
            </li>
          ))}
        </ul>
      )}
      <p>{t('text')}</p>
      <Chooser
        label={t('student')}
        placeholder={t('choose')}
        options={students.map(({ id: value, name }) => ({ value, label: name }))}
        words={t('signOut')}
        working={working}
        onDo={(student) => void signOut(student)}
      />
      <p role="status">{done}</p>
      {problem}
    </section>
  );
}
