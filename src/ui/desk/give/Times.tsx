'use client';

import type { GivenTimes } from '@/core/wire/desk';
import { Input } from 'antd';
import { useTranslations } from 'use-intl';
import { useHydrated } from '../../kit/useHydrated';
import { Labelled } from '../../entry/Labelled';
import styles from './give.module.css';

export const NO_TIMES: GivenTimes = { opensAt: null, closesAt: null };

/** A moment as a field for date and time writes it (HTML, "local date and time string"), in this computer's time zone. */
export function localWriting(at: number | null): string {
  if (at === null) return '';
  const local = new Date(at - new Date(at).getTimezoneOffset() * 60_000);
  return local.toISOString().slice(0, 16);
}
/** The moment such a field names; null where it is empty or none. */
export function localMoment(written: string): number | null {
  const at = new Date(written).getTime();
  return written === '' || Number.isNaN(at) ? null : at;
}

/** From when to when it can be started. */
export function Times({
  times,
  onChange,
  inOrder,
}: {
  readonly times: GivenTimes;
  readonly onChange: (times: GivenTimes) => void;
  readonly inOrder: boolean;
}) {
  const t = useTranslations('give');
  // The time zone is the browser's.
  const hydrated = useHydrated();
  const field = (name: 'opensAt' | 'closesAt') => (
    <Labelled label={t(name)}>
      {(id) => (
        <Input
          id={id}
          size="large"
          type="datetime-local"
          defaultValue={localWriting(times[name])}
          onChange={({ target }) => onChange({ ...times, [name]: localMoment(target.value) })}
        />
      )}
    </Labelled>
  );
  return (
    <fieldset className={styles.times}>
      <legend>{t('when')}</legend>
      <div className={styles.two}>
        {field('opensAt')}
        {field('closesAt')}
      </div>
      {!inOrder && (
        <p className={styles.missing} role="alert">
          {t('notInOrder')}
        </p>
      )}
      <p className={styles.note}>
        {hydrated && t('zone', { zone: Intl.DateTimeFormat().resolvedOptions().timeZone })} {t('mayFinish')}
      </p>
    </fieldset>
  );
}
