'use client';

import { ArrowLeft, ArrowRight, CircleCheck, ListChecks } from 'lucide-react';
import { useTranslations } from 'use-intl';
import { neighbour } from '@/core/attempt/overview';
import { isClosed, itemOf } from '@/core/attempt/state';
import { isEnd, isForwardOnly, type DeliveredItem } from '@/core/item/delivered';
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
  readonly onStep: (step: 1 | -1) => void;
  readonly onReview: () => void;
  readonly fromReview: boolean;
}

/** What is missing, in words, and the way to the next question. */
export function QuestionFooter({ item, checking, onStep, onReview, fromReview }: Props) {
  const t = useTranslations('question');
  const { test, announce } = usePlayer();
  const responses = useAttempt((state) => itemOf(state, item.ref).responses);
  const words = useProgressWords();
  const lines = words(progressOfItem(item, responses));
  useTold(announce, [progressText(lines, '. '), checking.words].filter(Boolean).join('. '));
  const closed = useAttempt((state) => isClosed(state, item.ref));
  const forward = isForwardOnly(test, item.ref);
  const first = forward || neighbour(test, item.ref, -1) === null;
  const last = forward ? isEnd(test, item.ref) : neighbour(test, item.ref, 1) === null;
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
          {closed && item.tries === null && <span className={styles.checked}>{t('closed')}</span>}
          {forward && <span className={styles.checked}>{t('forward')}</span>}
        </p>
        <span className={styles.ways}>
          {item.tries !== null && (
            <Button look="way" disabled={checking.closed || checking.busy} onClick={() => checking.check()}>
              <CircleCheck size="1.15em" aria-hidden="true" />
              {t(checking.busy ? 'checking' : 'check')}
            </Button>
          )}
          {fromReview && (
            <Button look="way" onClick={onReview}>
              <ListChecks size="1.15em" aria-hidden="true" />
              {t('backToReview')}
            </Button>
          )}
          <Button
            look="way"
            disabled={first}
            title={forward ? t('forward') : undefined}
            onClick={() => onStep(-1)}
          >
            <ArrowLeft size="1.15em" aria-hidden="true" />
            <span className={styles.backName}>{t('back')}</span>
          </Button>
          <Button
            look="main"

            onClick={() => (last ? onReview() : onStep(1))}
          >
            {last ? t('toReview') : t('next')}
            <ArrowRight size="1.15em" aria-hidden="true" />
          </Button>
        </span>
      </div>
    </footer>
  );
}
