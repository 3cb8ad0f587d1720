'use client';

import { own } from '@/core/own';
import { memo, useRef, type RefObject } from 'react';
import { useTranslations } from 'use-intl';
import { numberRanges } from '@/core/attempt/numbers';
import { ContentTitle, WrittenIn } from '../../content/ContentView';
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
  pageRef,
  onTurn,
}: {
  stimulusId: string;
  pageRef: RefObject<HTMLElement | null>;
  onTurn: (to: Side) => void;
}) {
  const t = useTranslations('passage');
  const { test, assetUrl, layout } = usePlayer();
  const ownRef = useRef<HTMLElement>(null);
  const contentRef = useRef<HTMLDivElement>(null);
  const stimulus = own(test.stimuli, stimulusId);
  if (!stimulus) return null;
  const language = stimulus.language ?? test.language;
  const numbers = Object.values(test.items).flatMap(({ number, stimuli }) =>
    stimuli.includes(stimulusId) ? [number] : [],
  );
  return (
    <Sheet
      sheet="passage"
      textId={`stimulus:${stimulusId}`}
      label={t('label', { title: stimulus.title })}
      units={passageUnits}
      scrollerRef={layout === 'narrow' ? pageRef : ownRef}
      contentRef={contentRef}
      head={
        <header className={styles.head}>
          <div className={styles.headLine}>
            <h2 tabIndex={-1} title={stimulus.title}>
              <WrittenIn language={language}>
                <ContentTitle>{stimulus.title}</ContentTitle>
              </WrittenIn>
            </h2>
            <span className={styles.about}>
              {t('questions', { count: numbers.length, numbers: numberRanges(numbers) })}
            </span>
            <GrowButton sheet="passage" onTurn={onTurn} />
          </div>
        </header>
      }
    >
      <WrittenIn language={language}>
        <PassageText body={stimulus.body} slots={{ assetUrl, enlarge: true }} />
      </WrittenIn>
    </Sheet>
  );
});
