'use client';

import { useCallback, useEffect, useRef, type RefObject } from 'react';
import { useTranslations } from 'use-intl';
import { numberRanges } from '@/core/attempt/numbers';
import { own } from '@/core/own';
import { partOf } from '@/core/item/delivered';
import { usePlayer } from '../../attempt/PlayerContext';
import type { Side } from '../useTurning';
import { useOverview } from '../trail/useOverview';
import { SheetPlace } from './drawnAhead';
import { GrowButton } from './GrowButton';
import { MoreBelow } from './MoreBelow';
import styles from './sheets.module.css';
import { togetherUnits } from './units';
import { useReadOn } from './useReadOn';
import { Ways } from './Ways';

interface Props {
  /** The questions of the page, in order. */
  readonly refs: readonly string[];
  /** The one the student is at. */
  readonly current: string;
  readonly elementOf: (ref: string) => HTMLElement;
  readonly scrollerRef: RefObject<HTMLElement | null>;
  /** Another question is the one that is read or worked on. */
  readonly onRead: (ref: string) => void;
  readonly onStep: (step: 1 | -1) => void;
  readonly onReview: () => void;
  readonly fromReview: boolean;
  /** Whether a passage stands beside it. */
  readonly hasPassage: boolean;
  readonly onTurn: (to: Side) => void;
}

/** A question of which no more than this shows is not in view, in pixels. */
const SLACK = 60;

/** The questions of a section on one page: each a sheet of its own, all in one that scrolls; one way on and back for all. */
export function SectionPage({
  refs,
  current,
  elementOf,
  scrollerRef,
  onRead,
  onStep,
  onReview,
  fromReview,
  hasPassage,
  onTurn,
}: Props) {
  const t = useTranslations('together');
  const { test, layout } = usePlayer();
  const narrow = layout === 'narrow';
  const contentRef = useRef<HTMLDivElement>(null);
  const ownRef = useRef<HTMLDivElement>(null);
  const mine = useOverview().filter(({ ref }) => refs.includes(ref));
  const done = mine.filter(({ standing }) => standing === 'done').length;
  const title = partOf(test, current)?.sections.find(({ items }) => items.includes(current))?.title ?? '';
  const numbers = numberRanges(refs.flatMap((ref) => own(test.items, ref)?.number ?? []));
  const name = t('questions', { count: refs.length, numbers });
  const units = useCallback((root: HTMLElement) => togetherUnits(root, scrollerRef.current), [scrollerRef]);
  useReadOn({ refs, current, scrollerRef, onRead });
  // Found again where it was left, unless it is in view.
  const arriving = useRef(current);
  useEffect(() => {
    const timer = setTimeout(() => {
      const sheet = elementOf(arriving.current).firstElementChild;
      const box = sheet?.getBoundingClientRect();
      if (box && (box.bottom < SLACK || box.top > window.innerHeight - SLACK))
        sheet?.scrollIntoView({ block: 'start' });
    }, 0);
    return () => clearTimeout(timer);
    // Only when the page comes: later one goes from question to question.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);

  return (
    <div className={styles.sheet} data-page="" data-flows={narrow || undefined}>
      <header className={styles.head}>
        <div className={styles.headLine}>
          <span className={styles.about}>{title === '' ? name : `${title} · ${name}`}</span>
          {hasPassage && (
            <span className={styles.headEnd}>
              <GrowButton sheet="question" onTurn={onTurn} />
            </span>
          )}
        </div>
      </header>
      <div className={styles.middle}>
        <div
          ref={narrow ? ownRef : (scrollerRef as RefObject<HTMLDivElement>)}
          className={styles.scroll}
          tabIndex={narrow ? -1 : 0}
          role="region"
          aria-label={name}
        >
          <div ref={contentRef}>
            <div className={styles.together}>
              {refs.map((ref) => (
                <SheetPlace key={ref} element={elementOf(ref)} />
              ))}
            </div>
          </div>
        </div>
        <MoreBelow scrollerRef={scrollerRef} contentRef={contentRef} units={units} textId={refs.join(' ')} />
      </div>
      <footer className={styles.foot}>
        <div className={styles.footLine}>
          <p className={styles.status}>{t('done', { done, total: mine.length })}</p>
          <span className={styles.ways}>
            <Ways itemRef={current} {...{ onStep, onReview, fromReview }} />
          </span>
        </div>
      </footer>
    </div>
  );
}
