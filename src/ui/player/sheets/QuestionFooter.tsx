'use client';

import { CircleCheck } from 'lucide-react';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import { isClosed, isLocked, itemOf } from '@/core/attempt/state';
import { isForwardOnly, type DeliveredItem } from '@/core/item/delivered';
import { progressOfItem } from '@/core/item/progress';
import { useAttempt, usePlayer } from '../../attempt/PlayerContext';
import { useTold } from '../../kit/speech';
import { progressText, useProgressWords } from '../useProgressWords';
import styles from './sheets.module.css';
import type { Checking } from './useChecking';
import { Button } from '../../kit/Button';

interface Props {
  readonly checking: Checking;
  readonly item: DeliveredItem;
  /** The ways on and back, where they are this question's own. */
  readonly ways: ReactNode;
}

/** What is missing, in words, and the way to the next question. */
export function QuestionFooter({ item, checking, ways }: Props) {
  const t = useTranslations('question');
  const { test, announce } = usePlayer();
  const responses = useAttempt((state) => itemOf(state, item.ref).responses);
  const words = useProgressWords();
  const lines = words(progressOfItem(item, responses));
  useTold(announce, [progressText(lines, '. '), checking.words].filter(Boolean).join('. '));
  const closed = useAttempt((state) => isClosed(state, item.ref));
  const locked = useAttempt((state) => isLocked(state, item.ref));
  const forward = isForwardOnly(test, item.ref);
  return (
    <footer className={styles.foot}>
      <div className={styles.footLine}>
        <p className={styles.status} data-progress="">
          {lines.map(({ label, text }, i) => (
            <span key={label ?? i}>
              {i > 0 && ' · '}
              {label && <b>{label} </b>}
              {text}
            </span>
          ))}
          {checking.words !== null && <span className={styles.checked}>{checking.words}</span>}
          {locked && <span className={styles.checked}>{t('locked')}</span>}
          {closed && !locked && item.tries === null && <span className={styles.checked}>{t('closed')}</span>}
          {forward && <span className={styles.checked}>{t('forward')}</span>}
        </p>
        <span className={styles.ways}>
          {item.tries !== null && (
            <Button look="way" disabled={checking.closed || checking.busy} onClick={() => checking.check()}>
              <CircleCheck size="1.15em" aria-hidden="true" />
              {t(checking.busy ? 'checking' : 'check')}
            </Button>
          )}
          {ways}
        </span>
      </div>
    </footer>
  );
}
