'use client';

import { useRef, type ReactNode, type RefObject } from 'react';
import { useTranslations } from 'use-intl';
import { Boundary } from '../../kit/Boundary';
import { useFocusKept } from '../../kit/useFocusKept';
import { useAttempt } from '../../attempt/PlayerContext';
import { TextLayers } from '../TextLayers';
import { MoreBelow } from './MoreBelow';
import content from '../../content/content.module.css';
import styles from './sheets.module.css';
import type { Unit } from './units';

interface SheetProps {
  readonly sheet: 'passage' | 'question';
  readonly textId: string;
  /** It is as high as what is on it, and scrolls with what it lies in. */
  readonly flows: boolean;
  /** The question on it. */
  readonly question?: string;
  /** It stands on one page with others: what is below is said once for all. */
  readonly together?: boolean;
  readonly label: string;
  readonly head: ReactNode;
  readonly foot?: ReactNode;
  readonly units: (root: HTMLElement) => Unit[];
  readonly scrollerRef: RefObject<HTMLElement | null>;
  readonly contentRef: RefObject<HTMLDivElement | null>;
  readonly children: ReactNode;
}

/** A sheet of paper: a head, what is on it, the tools' layers over it, and what is still below. */
export function Sheet({
  sheet,
  textId,
  flows,
  question,
  together = false,
  label,
  head,
  foot,
  units,
  scrollerRef,
  contentRef,
  children,
}: SheetProps) {
  const t = useTranslations('player');
  const ownRef = useRef<HTMLDivElement>(null);
  useFocusKept(contentRef);
  const here = useAttempt(({ current }) => together && current === question);
  return (
    <section
      className={styles.sheet}
      aria-label={label}
      data-sheet={sheet}
      data-flows={flows || undefined}
      data-together={together || undefined}
      data-here={here || undefined}
      data-question={question}
    >
      {head}
      <div className={styles.middle}>
        <div
          ref={flows ? ownRef : (scrollerRef as RefObject<HTMLDivElement>)}
          className={styles.scroll}
          tabIndex={flows ? -1 : 0}
          role={together ? undefined : 'region'}
          aria-label={together ? undefined : label}
        >
          <div ref={contentRef} className={`${styles.content} ${content.content}`} data-text-root={textId}>
            <Boundary key={textId} fallback={<p role="alert">{t('cannotShow')}</p>}>
              {children}
            </Boundary>
            <TextLayers {...{ sheet, textId, contentRef }} itemRef={/^item:(.*)$/.exec(textId)?.[1]} />
          </div>
        </div>
        {!together && (
          <MoreBelow scrollerRef={scrollerRef} contentRef={contentRef} units={units} textId={textId} />
        )}
      </div>
      {foot}
    </section>
  );
}
