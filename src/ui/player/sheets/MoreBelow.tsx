'use client';

import { ChevronsDown } from 'lucide-react';
import { useEffect, useRef, type RefObject } from 'react';
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

/**
 * Says what is hidden below the edge; a press scrolls on. It has a place of its own below the text, kept while the text is too long
 * for the sheet: it covers nothing, and nothing moves when the end is reached.
 */
export function MoreBelow({ scrollerRef, contentRef, units, textId }: MoreProps) {
  const t = useTranslations('below');
  const hidden = useHidden(scrollerRef, contentRef, units, textId);
  const words = useHiddenWords();
  const focused = useRef(false);
  // At the end there is no sign any more: the focus it had goes to what was scrolled.
  useEffect(() => {
    if (hidden.any || !focused.current) return;
    focused.current = false;
    contentRef.current?.closest<HTMLElement>('[role="region"]')?.focus({ preventScroll: true });
  }, [contentRef, hidden.any]);
  if (!hidden.long) return null;
  return (
    <div className={styles.strip} data-more={hidden.any || undefined}>
      {hidden.any && (
        <Press
          className={styles.more}
          data-more-below=""
          title={t('scroll')}
          onFocus={() => {
            focused.current = true;
          }}
          onBlur={() => {
            focused.current = false;
          }}
          onClick={() => {
            const scroller = scrollerRef.current;
            scroller?.scrollBy({ top: scroller.clientHeight * 0.8 });
          }}
        >
          <ChevronsDown size="1.2em" aria-hidden="true" />
          {words(hidden.counts, hidden.parts)}
        </Press>
      )}
    </div>
  );
}
