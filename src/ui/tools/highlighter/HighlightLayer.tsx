'use client';

import { own } from '@/core/own';
import { Eraser } from 'lucide-react';
import { useCallback, useEffect, useState, type MouseEvent } from 'react';
import { createPortal } from 'react-dom';
import { useTranslations } from 'use-intl';
import { anchorAt } from '@/core/annotate/anchor';
import { isPainted } from '@/core/annotate/ranges';
import type { HighlightColour } from '@/core/attempt/events';
import type { Highlight } from '@/core/attempt/state';
import { useFocusBack } from '../../kit/useFocusBack';
import { useAttempt, usePlayer } from '../../attempt/PlayerContext';
import { stretchOf, textOf } from '../domText';
import type { SheetLayerProps } from '../types';
import styles from './highlighter.module.css';
import { canPaint, COLOURS, paintMarks, unpaint } from './paint';
import { Press } from '../../kit/Button';

const NONE: readonly Highlight[] = [];
/** A selection counts once it has stood this long: while it is still growing, nothing pops up. */
const SETTLED_MS = 250;

interface Picked {
  readonly start: number;
  readonly end: number;
  readonly left: number;
  readonly top: number;
}

/** Paints a sheet's highlights and offers the colours beside words that are selected. No mode: clicks always answer. */
export function HighlightLayer({ sheet, textId, contentRef }: SheetLayerProps) {
  const marks = useAttempt((state) => own(state.highlights, textId) ?? NONE);
  const { dispatch, announce } = usePlayer();
  const t = useTranslations('tools.highlighter');
  const [picked, setPicked] = useState<Picked | null>(null);

  // Not a layout effect: a sheet's own element is only known to it after its layers have been laid out.
  useEffect(() => {
    const root = contentRef.current;
    const key = `${sheet}:${textId}`;
    if (!root || !canPaint()) return undefined;
    const paint = () => paintMarks(key, root, marks);
    paint();
    const observer = new MutationObserver(paint);
    observer.observe(root, { childList: true, subtree: true, characterData: true });
    return () => {
      observer.disconnect();
      unpaint(key);
    };
  }, [sheet, textId, marks, contentRef]);

  useSettledSelection(contentRef, setPicked);

  const mark = useCallback(
    (colour: HighlightColour | null) => {
      const root = contentRef.current;
      if (!root || !picked) return;
      // The selection may have grown since it settled: what is selected now is marked.
      const selection = window.getSelection();
      const range = selection && selection.rangeCount > 0 ? selection.getRangeAt(0) : null;
      const { start, end } = (range && stretchOf(root, range)) ?? picked;
      const anchor = anchorAt(textOf(root), start, end);
      dispatch({ type: 'highlighted', text: textId, ...anchor, colour });
      announce(colour === null ? t('removed') : t('marked', { colour: t(`colours.${colour}`) }));
      window.getSelection()?.removeAllRanges();
      setPicked(null);
    },
    [announce, contentRef, dispatch, picked, t, textId],
  );

  if (!picked) return null;
  return createPortal(
    <Popup picked={picked} removable={isPainted(marks, picked.start, picked.end)} onMark={mark} />,
    document.body,
  );
}

interface PopupProps {
  readonly picked: Picked;
  /** Whether some of it is marked already. */
  readonly removable: boolean;
  readonly onMark: (colour: HighlightColour | null) => void;
}

/** The colours beside the words that are selected; whoever came here by keys is taken back to where they came from. */
function Popup({ picked, removable, onMark }: PopupProps) {
  const t = useTranslations('tools.highlighter');
  useFocusBack();
  const keepSelection = (event: MouseEvent) => event.preventDefault();
  return (
    <div
      className={styles.popup}
      style={{ left: picked.left, top: picked.top }}
      role="toolbar"
      aria-label={t('popup')}
      data-highlight-popup=""
    >
      {COLOURS.map((colour) => (
        <Press
          key={colour}
          className={styles.pick}
          onMouseDown={keepSelection}
          onClick={() => onMark(colour)}
        >
          <span className={styles.swatch} data-colour={colour} aria-hidden="true">
            {t('swatch')}
          </span>
          {t(`colours.${colour}`)}
        </Press>
      ))}
      {removable && (
        <Press className={styles.pick} onMouseDown={keepSelection} onClick={() => onMark(null)}>
          <Eraser size="1.1em" aria-hidden="true" />
          {t('remove')}
        </Press>
      )}
    </div>
  );
}

/** Follows the selection inside a sheet and says where it settled. */
function useSettledSelection(
  contentRef: SheetLayerProps['contentRef'],
  onPicked: (picked: Picked | null) => void,
): void {
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const look = () => {
      const selection = window.getSelection();
      const root = contentRef.current;
      if (document.activeElement?.closest('[data-highlight-popup]')) return;
      if (!selection || selection.isCollapsed || selection.rangeCount === 0 || !root) return onPicked(null);
      const range = selection.getRangeAt(0);
      if (!range.intersectsNode(root)) return onPicked(null);
      const stretch = stretchOf(root, range);
      if (!stretch) return onPicked(null);
      const box = range.getBoundingClientRect();
      const rem = parseFloat(getComputedStyle(document.documentElement).fontSize);
      const [width, height] = [Math.min(window.innerWidth - 16, 24 * rem), 3.5 * rem];
      const below = box.bottom + 8 + height < window.innerHeight;
      const top = below ? box.bottom + 8 : Math.max(8, box.top - height - 8);
      onPicked({ ...stretch, top, left: Math.max(8, Math.min(box.left, window.innerWidth - width - 8)) });
    };
    const changed = () => {
      clearTimeout(timer);
      timer = setTimeout(look, SETTLED_MS);
    };
    const escape = (event: KeyboardEvent) => {
      if (event.key === 'Escape') onPicked(null);
    };
    document.addEventListener('selectionchange', changed);
    document.addEventListener('keydown', escape);
    return () => {
      clearTimeout(timer);
      document.removeEventListener('selectionchange', changed);
      document.removeEventListener('keydown', escape);
    };
  }, [contentRef, onPicked]);
}
