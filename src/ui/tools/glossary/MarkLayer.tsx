'use client';

import { BookA } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { createPortal } from 'react-dom';
import { useTranslations } from 'use-intl';
import { Press } from '../../kit/Button';
import { textOf } from '../domText';
import type { SheetLayerProps } from '../types';
import { useWindows } from '../useWindows';
import { openEntry } from './entry';
import styles from './glossary.module.css';

const MARKED = '[data-catalog-idref]';

interface Mark {
  readonly id: string;
  readonly words: string;
  readonly element: HTMLElement;
}

const markOf = (element: HTMLElement): Mark => ({
  id: element.dataset.catalogIdref ?? '',
  words: textOf(element),
  element,
});

/** The marked words of a text, followed through its changes. */
function useMarks(contentRef: SheetLayerProps['contentRef']): readonly Mark[] {
  const [marks, setMarks] = useState<readonly Mark[]>([]);
  useEffect(() => {
    const root = contentRef.current;
    if (!root) return undefined;
    const look = () => {
      const found = [...root.querySelectorAll<HTMLElement>(MARKED)].map(markOf);
      setMarks((before) =>
        before.length === found.length && before.every((one, i) => one.element === found[i]?.element)
          ? before
          : found,
      );
    };
    look();
    const changes = new MutationObserver(look);
    changes.observe(root, { childList: true, subtree: true });
    return () => changes.disconnect();
  }, [contentRef]);
  return marks;
}

/** A small button behind each marked word; the word itself opens its card too, by hand. */
export function MarkLayer({ contentRef }: SheetLayerProps) {
  const t = useTranslations('tools.glossary');
  const marks = useMarks(contentRef);
  const windows = useWindows();
  const open = ({ id, words, element }: Mark) => {
    openEntry.set({ id, words, opener: element.querySelector<HTMLElement>('button') });
    if (!windows.open.includes('glossary')) windows.toggle('glossary');
  };
  const latest = useRef(open);
  useEffect(() => {
    latest.current = open;
  });
  useEffect(() => {
    const root = contentRef.current;
    const press = (event: MouseEvent) => {
      const element = event.target instanceof Element ? event.target.closest<HTMLElement>(MARKED) : null;
      const selection = window.getSelection();
      if (!element || (selection && !selection.isCollapsed)) return;
      // A marked word of a choice opens its card; the rest of the choice chooses.
      event.preventDefault();
      latest.current(markOf(element));
    };
    root?.addEventListener('click', press);
    return () => root?.removeEventListener('click', press);
  }, [contentRef]);
  return marks.map((mark, i) =>
    createPortal(
      <Press
        className={styles.mark}
        data-no-text=""
        aria-label={t('open', { words: mark.words })}
        title={t('open', { words: mark.words })}
        onClick={(event) => {
          event.preventDefault();
          event.stopPropagation();
          open(mark);
        }}
      >
        <BookA size="1em" aria-hidden="true" />
      </Press>,
      mark.element,
      `${i} ${mark.id}`,
    ),
  );
}
