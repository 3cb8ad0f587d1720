'use client';

import { ChevronsDown } from 'lucide-react';
import type { RefObject } from 'react';
import { useTranslations } from 'use-intl';
import styles from './sheets.module.css';
import type { Unit } from './units';
import { useHidden } from './useHidden';
import { useHiddenWords } from './useHiddenWords';
import { Press } from '../../kit/Button';

interface MoreProps {
  readonly scrollerRef: RefObject<HTMLElement | null>;
  readonly contentRef: RefObject<HTMLElement | null>;
  readonly units: (root: HTMLElement) => Unit[];
  /** Changes when something else is shown. */
  readonly textId: string;
}

/** Says what is hidden below the edge; a press scrolls on. */
export function MoreBelow({ scrollerRef, contentRef, units, textId }: MoreProps) {
  const t = useTranslations('below');
  const hidden = useHidden(scrollerRef, contentRef, units, textId);
  const words = useHiddenWords();
  if (!hidden.any) return null;
  return (
    <Press
      className={styles.more}
      data-more-below=""
      title={t('scroll')}
      onClick={() => {
        const scroller = scrollerRef.current;
        scroller?.scrollBy({ top: scroller.clientHeight * 0.8 });
      }}
    >
      <ChevronsDown size="1.2em" aria-hidden="true" />
      {words(hidden.counts, hidden.parts)}
    </Press>
  );
}
