'use client';

import { Check, CloudOff, LoaderCircle, TriangleAlert } from 'lucide-react';
import { useTranslations } from 'use-intl';
import { useStatus } from '../../attempt/PlayerContext';
import styles from './header.module.css';

const ICONS = { saved: Check, saving: LoaderCircle, kept: CloudOff, 'at-risk': TriangleAlert };

/** Says truthfully where the answers are: with the server, on the way, on this computer, or only in this window. */
export function SaveSign() {
  const t = useTranslations('save');
  const { save, signedOut } = useStatus();
  const Icon = ICONS[save];
  return (
    <p className={styles.save} data-save={save} role="status" title={t(`explain.${save}`)}>
      <Icon size="1.15em" aria-hidden="true" />
      {signedOut ? t('signedOut') : t(save)}
    </p>
  );
}
