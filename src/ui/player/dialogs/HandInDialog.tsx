'use client';

import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { QuestionOverview } from '@/core/attempt/overview';
import { unfinishedParts } from '@/core/item/progress';
import { usePlayer } from '../../attempt/PlayerContext';
import { progressText, useProgressWords } from '../useProgressWords';
import { Dialog } from './Dialog';
import styles from './dialogs.module.css';
import { Press } from '../../kit/Button';

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
  const { session } = usePlayer();
  const words = useProgressWords();
  const trail = useTranslations('trail');
  const [state, setState] = useState<'asking' | 'working' | 'failed'>('asking');
  const unfinished = questions.filter((one) => one.standing !== 'done');
  const flagged = questions.filter((one) => one.standing === 'done' && one.flagged);
  const handIn = () => {
    setState('working');
    session.handIn('asked').then(onDone, () => setState('failed'));
  };
  const row = (one: QuestionOverview) => (
    <li key={one.ref}>
      <Press className={styles.link} onClick={() => onGo(one.ref)}>
        <b>{t('question', { number: one.number })}</b>
        <span>
          {one.standing === 'not-opened' || one.standing === 'done'
            ? trail(`standing.${one.standing}`)
            : progressText(words(unfinishedParts(one.progress)))}
        </span>
        {one.flagged && <span>{trail('flagged')}</span>}
      </Press>
    </li>
  );
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
      <p>
        {unfinished.length === 0
          ? t('allDone', { count: questions.length })
          : t('unfinished', { count: unfinished.length })}
      </p>
      {unfinished.length > 0 && <ul className={styles.list}>{unfinished.map(row)}</ul>}
      {flagged.length > 0 && (
        <>
          <p>{t('flagged', { count: flagged.length })}</p>
          <ul className={styles.list}>{flagged.map(row)}</ul>
        </>
      )}
      {state === 'failed' && (
        <p className={styles.problem} role="alert">
          {t('failed')}
        </p>
      )}
    </Dialog>
  );
}
