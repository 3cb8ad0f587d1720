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
      <OrAsSet
        label={t('scheme')}
        value={value.scheme}
        values={SCHEME_IDS}
        words={(scheme) => schemes(scheme)}
        onChange={(scheme) => onChange({ ...value, scheme })}
      />
      <OrAsSet
        label={t('size')}
        value={value.magnification}
        values={SIZES}
        words={(size) => t('percent', { percent: size * 100 })}
        onChange={(magnification) => onChange({ ...value, magnification })}
      />
    </div>
  );
}

/** One of several, or as it is set: then null. */
function OrAsSet<Value extends string | number>({
  label,
  value,
  values,
  words,
  onChange,
}: {
  readonly label: string;
  readonly value: Value | null;
  readonly values: readonly Value[];
  readonly words: (value: Value) => string;
  readonly onChange: (value: Value | null) => void;
}) {
  const t = useTranslations('library.try');
  return (
    <Labelled label={label}>
      {(id) => (
        <Select<string | number>
          id={id}
          size="large"
          value={value ?? AS_SET}
          onChange={(chosen) => onChange(values.find((one) => one === chosen) ?? null)}
          options={[
            { value: AS_SET, label: t('asSet') },
            ...values.map((one) => ({ value: one, label: words(one) })),
          ]}
        />
      )}
    </Labelled>
  );
}
