'use client';

import type { SchoolClass, Student } from '@/core/wire/desk';
import { Select } from 'antd';
import { useTranslations } from 'use-intl';
import { Labelled } from '../../entry/Labelled';
import styles from './give.module.css';

export interface ToWhomProps {
  readonly classes: readonly SchoolClass[];
  readonly students: readonly Student[];
  /** `class 3`, `student 12`. */
  readonly whom: readonly string[];
  readonly onChange: (whom: readonly string[]) => void;
  readonly missing: boolean;
}

/** The students that are meant: those named, and those of the classes named, each once. */
export const everyone = (whom: readonly string[], classes: ToWhomProps['classes']): number[] => [
  ...new Set(
    whom.flatMap((one) => {
      const [kind, id] = one.split(' ');
      return kind === 'class'
        ? (classes.find((group) => group.id === Number(id))?.students ?? [])
        : [Number(id)];
    }),
  ),
];

/** Whole classes and single students, found by typing. */
export function ToWhom({ classes, students, whom, onChange, missing }: ToWhomProps) {
  const t = useTranslations('give');
  return (
    <>
      <Labelled label={t('whom')}>
        {(id) => (
          <Select
            id={id}
            mode="multiple"
            size="large"
            value={[...whom]}
            placeholder={t('chooseWhom')}
            onChange={onChange}
            showSearch={{ optionFilterProp: 'label' }}
            status={missing ? 'error' : undefined}
            notFoundContent={t('nobody')}
            options={[
              {
                label: t('classes'),
                options: classes.map((one) => ({
                  value: `class ${one.id}`,
                  label: t('class', { title: one.title, count: one.students.length }),
                })),
              },
              {
                label: t('students'),
                options: students.map(({ id, name }) => ({ value: `student ${id}`, label: name })),
              },
            ]}
          />
        )}
      </Labelled>
      {missing && <p className={styles.missing}>{t('whomMissing')}</p>}
    </>
  );
}
