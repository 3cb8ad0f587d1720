'use client';

import { useRef, type ReactNode, type RefObject } from 'react';
import { useTranslations } from 'use-intl';
import { Boundary } from '../../kit/Boundary';
import { useFocusKept } from '../../kit/useFocusKept';
import { usePlayer } from '../../attempt/PlayerContext';
import { TextLayers } from '../TextLayers';
import { MoreBelow } from './MoreBelow';
import content from '../../content/content.module.css';
import styles from './sheets.module.css';
import type { Unit } from './units';

interface SheetProps {
  readonly sheet: 'passage' | 'question';
  readonly textId: string;
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
  label,
  head,
  foot,
  units,
  scrollerRef,
  contentRef,
  children,
}: SheetProps) {
  const t = useTranslations('player');
  const { layout } = usePlayer();
  const ownRef = useRef<HTMLDivElement>(null);
  useFocusKept(contentRef);
  const narrow = layout === 'narrow';
  return (
    <section className={styles.sheet} aria-label={label} data-sheet={sheet} data-narrow={narrow || undefined}>
      {head}
      <div className={styles.middle}>
        <div
          ref={narrow ? ownRef : (scrollerRef as RefObject<HTMLDivElement>)}
          className={styles.scroll}
          tabIndex={narrow ? -1 : 0}
          role="region"
          aria-label={label}
        >
          <div ref={contentRef} className={`${styles.content} ${content.content}`} data-text-root={textId}>
            <Boundary key={textId} fallback={<p role="alert">{t('cannotShow')}</p>}>
              {children}
            </Boundary>
            <TextLayers {...{ sheet, textId, contentRef }} itemRef={/^item:(.*)$/.exec(textId)?.[1]} />
          </div>
        </div>
        <MoreBelow scrollerRef={scrollerRef} contentRef={contentRef} units={units} textId={textId} />
      </div>
      {foot}
    </section>
  );
}
