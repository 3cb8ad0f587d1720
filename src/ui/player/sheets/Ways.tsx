'use client';

import { ArrowLeft, ArrowRight, ListChecks } from 'lucide-react';
import { useTranslations } from 'use-intl';
import { neighbour } from '@/core/attempt/overview';
import { isEnd, isForwardOnly } from '@/core/item/delivered';
import { usePlayer } from '../../attempt/PlayerContext';
import { Button } from '../../kit/Button';
import styles from './sheets.module.css';

interface Props {
  readonly itemRef: string;
  readonly onStep: (step: 1 | -1) => void;
  readonly onReview: () => void;
  readonly fromReview: boolean;
}

/** Back and on, from a question or from the page it stands on with others. */
export function Ways({ itemRef, onStep, onReview, fromReview }: Props) {
  const t = useTranslations('question');
  const { test } = usePlayer();
  const forward = isForwardOnly(test, itemRef);
  const first = forward || neighbour(test, itemRef, -1) === null;
  const last = forward ? isEnd(test, itemRef) : neighbour(test, itemRef, 1) === null;
  return (
    <>
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
    </>
  );
}
