'use client';

import type { Student } from '@/core/wire/desk';
import { Select } from 'antd';
import { useTranslations } from 'use-intl';
import { SCHEME_IDS } from '@/core/view/schemes';
import type { TryRequest } from '@/core/wire/requests';
import { Labelled } from '../../entry/Labelled';
import desk from '../desk.module.css';

interface Props {
  readonly value: TryRequest;
  readonly students: readonly Student[];
  /** Whose needs count where no student is chosen. */
  readonly nobody: string;
  readonly onChange: (value: TryRequest) => void;
}

const SIZES = [1, 1.5, 2, 3, 4] as const;
/** What the lists say for "as it is set". */
const AS_SET = 'as-set';

/** As whom something of a test is seen: with the needs of a student one reaches, in any scheme and size. */
export function SeenAs({ value, students, nobody, onChange }: Props) {
  const t = useTranslations('library.try');
  const schemes = useTranslations('tools.colours.schemes');
  const listed = <Value extends string | number>(
    values: readonly Value[],
    words: (value: Value) => string,
  ) => [
    { value: AS_SET as string | number, label: t('asSet') },
    ...values.map((one) => ({ value: one, label: words(one) })),
  ];
  return (
    <div className={desk.find}>
      <Labelled label={t('needs')}>
        {(id) => (
          <Select<number>
            id={id}
            size="large"
            showSearch={{ optionFilterProp: 'label' }}
            value={value.student ?? 0}
            onChange={(student) => onChange({ ...value, student: student === 0 ? null : student })}
            options={[
              { value: 0, label: nobody },
              ...students.map((student) => ({ value: student.id, label: student.name })),
            ]}
          />
        )}
      </Labelled>
      <Labelled label={t('scheme')}>
        {(id) => (
          <Select
            id={id}
            size="large"
            value={value.scheme ?? AS_SET}
            onChange={(scheme) =>
              onChange({ ...value, scheme: SCHEME_IDS.find((one) => one === scheme) ?? null })
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
            value={value.magnification ?? AS_SET}
            onChange={(size) =>
              onChange({ ...value, magnification: SIZES.find((one) => one === size) ?? null })
            }
            options={listed(SIZES, (one) => t('percent', { percent: one * 100 }))}
          />
        )}
      </Labelled>
    </div>
  );
}
