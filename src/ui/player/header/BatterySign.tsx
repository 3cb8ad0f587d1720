'use client';

import { BatteryLow } from 'lucide-react';
import { useEffect } from 'react';
import { useTranslations } from 'use-intl';
import { usePlayer } from '../../attempt/PlayerContext';
import { useLowBattery } from '../screen/useLowBattery';
import styles from './header.module.css';

/** Says that the battery is low, while it is: seen and, once, heard. */
export function BatterySign() {
  const t = useTranslations('screen');
  const { announce } = usePlayer();
  const low = useLowBattery();
  useEffect(() => {
    if (low) announce(t('battery'));
  }, [announce, low, t]);
  if (!low) return null;
  return (
    <p className={styles.save} data-battery="low" title={t('battery')}>
      <BatteryLow size="1.25em" aria-hidden="true" />
      {t('battery')}
    </p>
  );
}
