'use client';

import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { QuestionOverview } from '@/core/attempt/overview';
import { forwardPlace, openPartOf } from '@/core/item/delivered';
import { usePlayer } from '../../attempt/PlayerContext';
import { ServerRefusal } from '../../attempt/session/transport';
import { Dialog } from './Dialog';
import styles from './dialogs.module.css';
import { UnfinishedList } from './UnfinishedList';

interface Props {
  readonly open: boolean;
  readonly questions: readonly QuestionOverview[];
  readonly onClose: () => void;
  readonly onGo: (ref: string) => void;
  readonly onDone: () => void;
}

/** The one deliberate confirmation: what is unfinished, flagged or never opened, each a way back; then it is over. */
export function HandInDialog({ open, questions, onClose, onGo, onDone }: Props) {
  const t = useTranslations('handIn');
  const refusals = useTranslations('refusals');
  const stages = useTranslations('stages');
  const { session, test } = usePlayer();
  const part = openPartOf(test);
  const ahead = part ? forwardPlace(test, part).ahead : 0;
  const [state, setState] = useState<string>('asking');
  const handIn = () => {
    setState('working');
    session
      .handIn('asked')
      .then(onDone, (error: unknown) => setState(error instanceof ServerRefusal ? error.code : 'failed'));
  };
  return (
    <Dialog
      open={open}
      wide
      title={t('title')}
      onClose={onClose}
      actions={[
        { words: t('no'), act: onClose },
        {
          words: state === 'working' ? t('working') : t('yes'),
          act: handIn,
          main: true,
          disabled: state === 'working',
        },
      ]}
    >
      <p>{t('text')}</p>
      {ahead > 0 && <p>{stages('endAhead', { count: ahead })}</p>}
      <UnfinishedList questions={questions} onGo={onGo} />
      {state !== 'asking' && state !== 'working' && (
        <p className={styles.problem} role="alert">
          {state !== 'failed' && refusals.has(state as 'error')
            ? refusals(state as 'not-valid')
            : t('failed')}
        </p>
      )}
    </Dialog>
  );
}
