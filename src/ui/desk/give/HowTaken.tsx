'use client';

import { Checkbox, InputNumber, Radio } from 'antd';
import { useId, type ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import { asPractice, forReal, type AssignmentOptions } from '@/core/item/options';
import { TOOLS } from '../../tools';
import { Several, useToolNames } from '../Several';
import styles from './give.module.css';

type Switch = 'mixed' | 'goAhead' | 'ownsScreen' | 'fetchFirst' | 'held';

/** What a test may be measured without. How it looks and is operated is nobody's to take away. */
const MAY_BE_OFF = TOOLS.filter(({ group }) => group !== 'looking');

interface Props {
  readonly options: AssignmentOptions;
  readonly onChange: (options: AssignmentOptions) => void;
}

function Tick({ name, options, onChange }: Props & { readonly name: Switch }) {
  const t = useTranslations('give.how');
  return (
    <Ticked
      checked={options[name]}
      onChange={(on) => onChange({ ...options, [name]: on })}
      note={t(`${name}Note`)}
    >
      {t(name)}
    </Ticked>
  );
}

/** What a test is given for: with it goes what somebody has to be there for. */
export function WhatFor({
  options,
  onChange,
  given,
}: Props & {
  /** How what is to be changed is given already; null of what is given anew. */
  readonly given: AssignmentOptions | null;
}) {
  const t = useTranslations('give.how');
  const noteId = useId();
  return (
    <fieldset className={styles.group} aria-describedby={noteId}>
      <legend>{t('for')}</legend>
      <Radio.Group
        value={options.practice}
        onChange={({ target }) => onChange(target.value === true ? asPractice(options) : forReal(options))}
        options={[
          { value: false, label: t('real') },
          { value: true, label: t('practice') },
        ]}
      />
      <p id={noteId} className={styles.note}>
        {t(options.practice ? 'practiceNote' : 'realNote')}{' '}
        {given && given.practice !== options.practice && t('bothWays')}
      </p>
    </fieldset>
  );
}

/** How a test is taken. */
export function HowTaken({ options, onChange }: Props) {
  const t = useTranslations('give.how');
  const named = useToolNames();
  const set = (change: Partial<AssignmentOptions>) => onChange({ ...options, ...change });
  return (
    <fieldset className={styles.group}>
      <legend>{t('taken')}</legend>
      <Radio.Group
        vertical
        value={options.onePage}
        onChange={({ target }) => set({ onePage: target.value as boolean })}
        options={[
          { value: false, label: t('oneAtATime') },
          { value: true, label: t('onePage') },
        ]}
      />
      <Tick name="mixed" options={options} onChange={onChange} />
      <Several
        label={t('toolsOff')}
        value={options.toolsOff}
        options={named(MAY_BE_OFF)}
        onChange={(toolsOff) => set({ toolsOff })}
      />
      {!options.practice && (
        <>
          <Tick name="goAhead" options={options} onChange={onChange} />
          <Tick name="ownsScreen" options={options} onChange={onChange} />
        </>
      )}
      <Tick name="fetchFirst" options={options} onChange={onChange} />
      <NumberField
        label={t('times')}
        value={options.times}
        most={100}
        onChange={(times) => times !== null && set({ times })}
      />
      {!options.practice && (
        <NumberField
          label={t('lockAfter')}
          note={t('lockAfterNote')}
          value={options.lockAfter}
          most={10_000}
          onChange={(lockAfter) => set({ lockAfter })}
        />
      )}
    </fieldset>
  );
}

/** What is told afterwards, and what is needed. */
export function Afterwards({ options, onChange }: Props) {
  const t = useTranslations('give.how');
  const set = (change: Partial<AssignmentOptions>) => onChange({ ...options, ...change });
  return (
    <fieldset className={styles.group}>
      <legend>{t('afterwards')}</legend>
      <Radio.Group
        vertical
        value={options.tells}
        onChange={({ target }) => set({ tells: target.value as AssignmentOptions['tells'] })}
        options={(['thanks', 'score', 'answers'] as const).map((value) => ({
          value,
          label: t(`tells.${value}`),
        }))}
      />
      {!options.practice && <Tick name="held" options={options} onChange={onChange} />}
      <NumberField
        label={t('needed')}
        note={t('neededNote')}
        value={options.needed}
        most={1_000_000}
        step={0.5}
        onChange={(needed) => set({ needed })}
      />
    </fieldset>
  );
}

function Ticked({
  checked,
  onChange,
  note,
  children,
}: {
  readonly checked: boolean;
  readonly onChange: (on: boolean) => void;
  readonly note: string;
  readonly children: ReactNode;
}) {
  const id = useId();
  return (
    <div className={styles.ticked}>
      <Checkbox checked={checked} aria-describedby={id} onChange={({ target }) => onChange(target.checked)}>
        {children}
      </Checkbox>
      <p id={id} className={styles.note}>
        {note}
      </p>
    </div>
  );
}

function NumberField({
  label,
  note,
  value,
  most,
  step = 1,
  onChange,
}: {
  readonly label: string;
  readonly note?: string;
  readonly value: number | null;
  readonly most: number;
  readonly step?: number;
  readonly onChange: (value: number | null) => void;
}) {
  const id = useId();
  return (
    <div className={styles.number}>
      <label htmlFor={id}>{label}</label>
      <InputNumber
        id={id}
        size="large"
        min={step}
        max={most}
        step={step}
        precision={step === 1 ? 0 : undefined}
        value={value}
        aria-describedby={note === undefined ? undefined : `${id}-note`}
        onChange={onChange}
      />
      {note !== undefined && (
        <p id={`${id}-note`} className={styles.note}>
          {note}
        </p>
      )}
    </div>
  );
}
