'use client';

import type { Student } from '@/core/wire/desk';
import { Button } from 'antd';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { TryRequest } from '@/core/wire/requests';
import entry from '../../entry/entry.module.css';
import { useAsk } from '../../entry/useAsk';
import { useHydrated } from '../../kit/useHydrated';
import desk from '../desk.module.css';
import { SeenAs } from './SeenAs';

interface Props {
  readonly testId: number;
  readonly students: readonly Student[];
  readonly trying: string | null;
}

/** A test as a student gets it, by one press: with somebody's needs, in any scheme and size. */
export function TryForm({ testId, students, trying }: Props) {
  const t = useTranslations('library.try');
  const hydrated = useHydrated();
  const { working, problem, ask } = useAsk();
  const [asked, setAsked] = useState<TryRequest>({ student: null, scheme: null, magnification: null });
  const go = async () => {
    const begun = await ask<{ attemptId: string }>(`/api/tests/${testId}/try`, asked);
    if (begun) window.location.assign(`/attempts/${begun.attemptId}`);
  };
  return (
    <section aria-labelledby="try" className={desk.rooms} data-ready={hydrated || undefined}>
      <h2 id="try">{t('title')}</h2>
      <p>{t('text')}</p>
      <SeenAs value={asked} students={students} nobody={t('nobody')} onChange={setAsked} />
      {problem}
      <p className={entry.ways}>
        <Button
          type="primary"
          size="large"
          aria-disabled={working || undefined}
          onClick={() => !working && void go()}
        >
          {t('go')}
        </Button>
        {trying !== null && (
          <Button size="large" href={`/attempts/${trying}`}>
            {t('goOn')}
          </Button>
        )}
      </p>
    </section>
  );
}
