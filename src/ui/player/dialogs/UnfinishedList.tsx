'use client';

import { useTranslations } from 'use-intl';
import type { QuestionOverview } from '@/core/attempt/overview';
import { unfinishedParts } from '@/core/item/progress';
import { Press } from '../../kit/Button';
import { progressText, useProgressWords } from '../useProgressWords';
import styles from './dialogs.module.css';

interface Props {
  readonly questions: readonly QuestionOverview[];
  readonly onGo: (ref: string) => void;
}

/** What is unfinished, flagged or never opened among questions, before they are closed: each is a press away. */
export function UnfinishedList({ questions, onGo }: Props) {
  const t = useTranslations('handIn');
  const words = useProgressWords();
  const trail = useTranslations('trail');
  const unfinished = questions.filter((one) => one.standing !== 'done');
  const flagged = questions.filter((one) => one.standing === 'done' && one.flagged);
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
    <>
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
    </>
  );
}
