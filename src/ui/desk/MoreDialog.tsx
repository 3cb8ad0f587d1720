'use client';

import { Button, InputNumber } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { Labelled } from '../entry/Labelled';
import { useAsk } from '../entry/useAsk';
import { DeskDialog } from './DeskDialog';
import { useFocusBack } from '../kit/useFocusBack';
import styles from './desk.module.css';
import { useReason } from './useReason';

interface Props {
  readonly open: boolean;
  readonly who: string;
  readonly attemptId: string;
  /** Its test has a time limit as a whole, to which some can be added. */
  readonly timed: boolean;
  readonly onClose: () => void;
}

/** What is done seldom, and always for a reason that is written down: more time, another computer, and the end. */
export function MoreDialog({ open, onClose, ...rest }: Props) {
  const t = useTranslations('desk.moreFor');
  return (
    <DeskDialog open={open} title={t('title')} onClose={onClose}>
      <More {...rest} onClose={onClose} />
    </DeskDialog>
  );
}

function More({ who, attemptId, timed, onClose }: Omit<Props, 'open'>) {
  const t = useTranslations('desk.moreFor');
  const router = useRouter();
  const { working, problem, ask } = useAsk();
  const reason = useReason({ label: t('reason'), text: t('reasonText'), missing: t('missing') });
  const [minutes, setMinutes] = useState(10);
  useFocusBack();
  const go = async (path: string, body: object) => {
    const why = reason.given();
    if (why === null || working) return;
    if (!(await ask(`/api/attempts/${attemptId}/${path}`, { ...body, reason: why }, true))) return;
    onClose();
    router.refresh();
  };
  return (
    <div className={styles.more}>
      <p>{who}</p>
      {reason.field}
      {problem}
      <div className={styles.moreWay}>
        {timed ? (
          <>
            <Labelled label={t('minutes')}>
              {(id) => (
                <InputNumber
                  id={id}
                  size="large"
                  min={1}
                  max={600}
                  precision={0}
                  value={minutes}
                  onChange={(value) => setMinutes(value ?? 1)}
                />
              )}
            </Labelled>
            <Button
              size="large"
              aria-disabled={working || undefined}
              onClick={() => void go('add-time', { minutes })}
            >
              {t('addTime', { minutes })}
            </Button>
          </>
        ) : (
          <p>{t('noClock')}</p>
        )}
      </div>
      <div className={styles.moreWay}>
        <p>{t('moveText')}</p>
        <Button size="large" aria-disabled={working || undefined} onClick={() => void go('move', {})}>
          {t('move')}
        </Button>
      </div>
      <div className={styles.moreWay}>
        <p>{t('endText')}</p>
        <Button size="large" danger aria-disabled={working || undefined} onClick={() => void go('end', {})}>
          {t('end')}
        </Button>
      </div>
    </div>
  );
}
