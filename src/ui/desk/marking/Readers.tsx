'use client';

import { Button, InputNumber, Radio } from 'antd';
import { useRouter } from 'next/navigation';
import { useId, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { MarkingRule } from '@/core/marking/marking';
import { useAsk } from '../../entry/useAsk';
import { Fold } from '../../kit/Fold';
import styles from './marking.module.css';

/** By how many the answers to a test are marked. */
export function Readers({ testId, rule }: { readonly testId: number; readonly rule: MarkingRule }) {
  const t = useTranslations('marking.readers');
  const router = useRouter();
  const { working, problem, ask } = useAsk();
  const [wanted, setWanted] = useState(rule);
  const [done, setDone] = useState(false);
  const id = useId();
  const keep = async () => {
    setDone(false);
    if ((await ask(`/api/tests/${testId}/marking-rule`, wanted, true)) === null) return;
    setDone(true);
    router.refresh();
  };
  return (
    <Fold title={t(rule.readers === 1 ? 'one' : 'two', { points: rule.differBy })}>
      <div className={styles.readers}>
        <Radio.Group
          vertical
          aria-label={t('name')}
          value={wanted.readers}
          onChange={({ target }) => setWanted({ ...wanted, readers: target.value as 1 | 2 })}
          options={[
            { value: 1, label: t('readOnce') },
            { value: 2, label: t('readTwice') },
          ]}
        />
        {wanted.readers === 2 && (
          <div className={styles.differ}>
            <label htmlFor={id}>{t('differBy')}</label>
            <InputNumber
              id={id}
              size="large"
              min={0}
              max={1000}
              step={0.5}
              value={wanted.differBy}
              onChange={(differBy) => setWanted({ ...wanted, differBy: differBy ?? 0 })}
            />
          </div>
        )}
        {problem}
        <Button size="large" aria-disabled={working || undefined} onClick={() => !working && void keep()}>
          {t('keep')}
        </Button>
        <p role="status">{done && t('kept')}</p>
      </div>
    </Fold>
  );
}
