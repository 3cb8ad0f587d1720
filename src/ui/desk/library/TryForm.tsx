'use client';

import type { Student } from '@/core/wire/desk';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { SCHEME_IDS } from '@/core/view/schemes';
import type { TryRequest } from '@/core/wire/requests';
import entry from '../../entry/entry.module.css';
import { Labelled } from '../../entry/Labelled';
import { useAsk } from '../../entry/useAsk';
import { useHydrated } from '../../kit/useHydrated';
import desk from '../desk.module.css';

interface Props {
  readonly testId: number;
  readonly students: readonly Student[];
  readonly trying: string | null;
}

const SIZES = [1, 1.5, 2, 3, 4] as const;
/** What the lists say for "as it is set". */
const AS_SET = 'as-set';

/** A test as a student gets it, by one press: with somebody's needs, in any scheme and size. */
export function TryForm({ testId, students, trying }: Props) {
  const t = useTranslations('library.try');
  const schemes = useTranslations('tools.colours.schemes');
  const hydrated = useHydrated();
  const { working, problem, ask } = useAsk();
  const [asked, setAsked] = useState<TryRequest>({ student: null, scheme: null, magnification: null });
  const go = async () => {
    const begun = await ask<{ attemptId: string }>(`/api/tests/${testId}/try`, asked);
    if (begun) window.location.assign(`/attempts/${begun.attemptId}`);
  };
  const listed = <Value extends string | number>(
    values: readonly Value[],
    words: (value: Value) => string,
  ) => [
    { value: AS_SET as string | number, label: t('asSet') },
    ...values.map((value) => ({ value: value, label: words(value) })),
  ];
  return (
    <section aria-labelledby="try" className={desk.rooms} data-ready={hydrated || undefined}>
      <h2 id="try">{t('title')}</h2>
      <p>{t('text')}</p>
      <div className={desk.find}>
        <Labelled label={t('needs')}>
          {(id) => (
            <Select<number>
              id={id}
              size="large"
              showSearch={{ optionFilterProp: 'label' }}
              value={asked.student ?? 0}
              onChange={(student) => setAsked({ ...asked, student: student === 0 ? null : student })}
              options={[
                { value: 0, label: t('nobody') },
                ...students.map(({ id: value, name }) => ({ value, label: name })),
              ]}
            />
          )}
        </Labelled>
        <Labelled label={t('scheme')}>
          {(id) => (
            <Select
              id={id}
              size="large"
              value={asked.scheme ?? AS_SET}
              onChange={(value) =>
                setAsked({ ...asked, scheme: SCHEME_IDS.find((one) => one === value) ?? null })
              }
              options={listed(SCHEME_IDS, (one) => schemes(one))}
            />
          )}
        </Labelled>
        <Labelled label={t('size')}>
          {(id) => (
            <Select
              id={id}
              size="large"
              value={asked.magnification ?? AS_SET}
              onChange={(value) =>
                setAsked({ ...asked, magnification: SIZES.find((one) => one === value) ?? null })
              }
              options={listed(SIZES, (one) => t('percent', { percent: one * 100 }))}
            />
          )}
        </Labelled>
      </div>
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
