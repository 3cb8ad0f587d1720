'use client';

import { Button, Select, Space } from 'antd';
import { useRouter } from 'next/navigation';
import { useId, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { useAsk } from '../entry/useAsk';
import { useFocusKept } from '../kit/useFocusKept';
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
  const [student, setStudent] = useState<number | null>(null);
  const [done, setDone] = useState<string | null>(null);
  const rootRef = useRef<HTMLElement>(null);
  const id = useId();
  useFocusKept(rootRef);
  const chosen = students.find((one) => one.id === student);
  const signOut = async () => {
    if (working || !chosen) return;
    setDone(null);
    if ((await ask(`/api/users/${chosen.id}/sign-out`, {}, true)) === null) return;
    setDone(t('signedOut', { student: chosen.name }));
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
      <Space wrap align="end">
        <label className={styles.choose}>
          {t('student')}
          <Select
            size="large"
            className={styles.select}
            value={student}
            placeholder={t('choose')}
            options={students.map((one) => ({ value: one.id, label: one.name }))}
            onChange={setStudent}
            showSearch={{ optionFilterProp: 'label' }}
          />
        </label>
        <Button size="large" aria-disabled={working || !chosen || undefined} onClick={() => void signOut()}>
          {t('signOut')}
        </Button>
      </Space>
      <p role="status">{done}</p>
      {problem}
    </section>
  );
}
