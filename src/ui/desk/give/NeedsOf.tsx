'use client';

import type { Student } from '@/core/wire/desk';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { Labelled } from '../../entry/Labelled';
import desk from '../desk.module.css';
import styles from './give.module.css';

/** The way to what a student's tests begin with. */
export function NeedsOf({ students }: { readonly students: readonly Student[] }) {
  const t = useTranslations('give.needs');
  const [chosen, setChosen] = useState<number | null>(null);
  return (
    <section aria-labelledby="needs-of" className={desk.rooms}>
      <h2 id="needs-of">{t('title')}</h2>
      <p>{t('text')}</p>
      <div className={styles.needsOf}>
        <Labelled label={t('student')}>
          {(id) => (
            <Select
              id={id}
              size="large"
              value={chosen}
              onChange={setChosen}
              showSearch={{ optionFilterProp: 'label' }}
              notFoundContent={t('nobody')}
              options={students.map(({ id: value, name }) => ({ value, label: name }))}
            />
          )}
        </Labelled>
        <Button
          size="large"
          href={chosen === null ? undefined : `/desk/people/${chosen}`}
          aria-disabled={chosen === null || undefined}
        >
          {t('open')}
        </Button>
      </div>
    </section>
  );
}
