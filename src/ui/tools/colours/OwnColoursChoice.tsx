'use client';

import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { contrast } from '@/core/view/contrast';
import { repaired, TEXT_CONTRAST, type OwnColours } from '@/core/view/palette';
import { Button } from '../../kit/Button';
import { Fold } from '../../kit/Fold';
import styles from './colours.module.css';

const FIRST: OwnColours = { ink: '#102030', sheet: '#fff4d6' };

interface Props {
  readonly own: OwnColours | null;
  readonly onUse: (own: OwnColours) => void;
}

/** Two colors of the student's own, tried on a sample before the page takes them; only what can be read can be used. */
export function OwnColoursChoice({ own, onUse }: Props) {
  const t = useTranslations('tools.colours.own');
  const [tried, setTried] = useState(own ?? FIRST);
  const ratio = contrast(tried.ink, tried.sheet);
  const readable = ratio >= TEXT_CONTRAST;
  const picker = (name: keyof OwnColours) => (
    <label className={styles.picker}>
      <input
        type="color"
        value={tried[name]}
        onChange={(event) => setTried({ ...tried, [name]: event.target.value })}
      />
      {t(name)}
    </label>
  );
  return (
    <Fold title={t('title')}>
      <div className={styles.own} data-on={own !== null || undefined}>
        {picker('ink')}
        {picker('sheet')}
        <p className={styles.tried} style={{ color: tried.ink, background: tried.sheet }} aria-hidden="true">
          {t('sample')}
        </p>
        <p role="status">{t(readable ? 'readable' : 'faint', { ratio: Math.floor(ratio * 10) / 10 })}</p>
        <div className={styles.row}>
          <Button small disabled={readable} onClick={() => setTried(repaired(tried))}>
            {t('repair')}
          </Button>
          <Button small disabled={!readable} onClick={() => onUse(tried)}>
            {t('use')}
          </Button>
        </div>
      </div>
    </Fold>
  );
}
