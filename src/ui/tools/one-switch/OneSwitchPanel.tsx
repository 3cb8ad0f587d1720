'use client';

import { useTranslations } from 'use-intl';
import { useKept } from '../../attempt/PlayerContext';
import { Button } from '../../kit/Button';
import shared from '../tools.module.css';
import styles from './oneSwitch.module.css';
import { ONE_SWITCH, RESTS, SECONDS } from './state';

/** How the switch works, and how long things are lit; and whether a resting pointer presses. */
export function OneSwitchPanel() {
  const t = useTranslations('tools.one-switch');
  const [{ on, switches, seconds, spoken, rests }, keep] = useKept('one-switch', ONE_SWITCH);
  return (
    <div className={styles.panel}>
      <p>{t(`hint.${switches}`)}</p>
      <Button aria-pressed={on} onClick={() => keep({ on: !on })}>
        {t(on ? 'switchOff' : 'switchOn')}
      </Button>
      <label className={shared.setting}>
        {t('switches')}
        <select
          value={switches}
          onChange={({ target }) => keep({ switches: target.value === 'two' ? 'two' : 'one' })}
        >
          <option value="one">{t('one')}</option>
          <option value="two">{t('two')}</option>
        </select>
      </label>
      <label className={shared.setting}>
        {t('speed')}
        <select
          value={String(seconds)}
          disabled={switches === 'two'}
          onChange={({ target }) => keep({ seconds: Number(target.value) })}
        >
          {SECONDS.map((one) => (
            <option key={one} value={String(one)}>
              {t('seconds', { seconds: one })}
            </option>
          ))}
        </select>
      </label>
      <label className={styles.check}>
        <input type="checkbox" checked={spoken} onChange={({ target }) => keep({ spoken: target.checked })} />
        {t('spoken')}
      </label>
      <label className={shared.setting}>
        {t('rests')}
        <select
          value={String(rests ?? '')}
          onChange={({ target }) => keep({ rests: target.value === '' ? null : Number(target.value) })}
        >
          {RESTS.map((one) => (
            <option key={String(one)} value={String(one ?? '')}>
              {one === null ? t('never') : t('seconds', { seconds: one })}
            </option>
          ))}
        </select>
      </label>
    </div>
  );
}
