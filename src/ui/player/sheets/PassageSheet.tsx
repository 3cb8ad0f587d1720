'use client';

import { own } from '@/core/own';
import { memo, useRef, type RefObject } from 'react';
import { useTranslations } from 'use-intl';
import { numberRanges } from '@/core/attempt/numbers';
import { ContentTitle } from '../../content/ContentView';
import { PassageText } from '../../content/PassageText';
import { usePlayer } from '../../attempt/PlayerContext';
import { GrowButton } from './GrowButton';
import { Sheet } from './Sheet';
import type { Side } from '../useTurning';
import styles from './sheets.module.css';
import { passageUnits } from './units';

/** A passage beside its questions. Its place is kept while the questions about it change. */
export const PassageSheet = memo(function PassageSheet({
  stimulusId,
  inRef,
  onTurn,
}: {
  stimulusId: string;
  inRef: RefObject<HTMLElement | null> | null;
  onTurn: (to: Side) => void;
}) {
  const t = useTranslations('passage');
  const { test, assetUrl } = usePlayer();
  const ownRef = useRef<HTMLElement>(null);
  const contentRef = useRef<HTMLDivElement>(null);
  const stimulus = own(test.stimuli, stimulusId);
  if (!stimulus) return null;
  const numbers = Object.values(test.items).flatMap(({ number, stimuli }) =>
    stimuli.includes(stimulusId) ? [number] : [],
  );
  return (
    <Sheet
      sheet="passage"
      textId={`stimulus:${stimulusId}`}
      label={t('label', { title: stimulus.title })}
      units={passageUnits}
      flows={inRef !== null}
      scrollerRef={inRef ?? ownRef}
      contentRef={contentRef}
      head={
        <header className={styles.head}>
          <div className={styles.headLine}>
            <h2 tabIndex={-1} title={stimulus.title}>
              <ContentTitle language={stimulus.language}>{stimulus.title}</ContentTitle>
            </h2>
            <span className={styles.about}>
              {t('questions', { count: numbers.length, numbers: numberRanges(numbers) })}
            </span>
            <GrowButton sheet="passage" onTurn={onTurn} />
          </div>
        </header>
      }
    >
      <PassageText stimulus={stimulus} slots={{ assetUrl, enlarge: true }} />
    </Sheet>
  );
});
