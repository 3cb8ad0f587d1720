'use client';

import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { usePlayer, useAttempt } from '../../attempt/PlayerContext';
import { own } from '@/core/own';
import { readBeside } from '@/core/item/materials';
import { resolveAnchor } from '@/core/annotate/anchor';
import { shortened } from '@/core/content/words';
import styles from '../tools.module.css';
import { pointAt, textOf } from '../domText';
import type { QuestionProps } from '../types';
import highlighter from './highlighter.module.css';
import { whereRead } from '../whereRead';
import { WordCursor } from './wordCursor';
import { Button, Press } from '../../kit/Button';

/** How the highlighter is used, by hand and by keys, and taking all of it away. */
export function HighlighterPanel({ itemRef }: QuestionProps) {
  // Whoever picks words with the keys has done so when the question is left.
  return <Panel key={itemRef} itemRef={itemRef} />;
}

function Panel({ itemRef }: QuestionProps) {
  const t = useTranslations('tools.highlighter');
  const { dispatch, announce } = usePlayer();
  const any = useAttempt((state) => Object.values(state.highlights).some((list) => list.length > 0));
  const [picking, setPicking] = useState(false);
  const padRef = useRef<HTMLButtonElement>(null);
  const cursorRef = useRef<WordCursor | null>(null);

  useEffect(() => {
    if (picking) padRef.current?.focus();
  }, [picking]);

  const begin = () => {
    const place = whereRead();
    cursorRef.current = place && WordCursor.begin(place.root, place.where);
    if (!cursorRef.current) return;
    setPicking(true);
    announce(t('pickingHint'));
    announce(window.getSelection()?.toString() ?? '');
  };

  return (
    <div>
      <p className={styles.text}>{t('hint')}</p>
      <div className={styles.panelRow}>
        {picking ? (
          <Button
            ref={padRef}

            data-on
            onKeyDown={(event) => {
              if (event.key === 'Enter') {
                event.preventDefault();
                document.querySelector<HTMLElement>('[data-highlight-popup] button')?.focus();
              } else if (event.key === 'Escape') {
                event.stopPropagation();
                setPicking(false);
              } else {
                const words = cursorRef.current?.press(event.key, event.shiftKey) ?? null;
                if (words === null) return;
                event.preventDefault();
                announce(words);
              }
            }}
          >
            {t('picking')}
          </Button>
        ) : (
          <Button onClick={begin}>{t('pick')}</Button>
        )}
        <Button
          disabled={!any}
          onClick={() => {
            dispatch({ type: 'highlights-cleared', text: null });
            announce(t('allRemoved'));
          }}
        >
          {t('removeAll')}
        </Button>
      </div>
      <MarkedList itemRef={itemRef} />
    </div>
  );
}

/** Every mark of the texts on the screen, in reading order; a press goes to it and selects it, so that it can be changed. */
function MarkedList({ itemRef }: QuestionProps) {
  const t = useTranslations('tools.highlighter');
  const { test } = usePlayer();
  const highlights = useAttempt((state) => state.highlights);
  const item = own(test.items, itemRef);
  const texts = [...(item ? readBeside(item) : []).map((id) => `stimulus:${id}`), `item:${itemRef}`];
  const marks = texts.flatMap((text) => (own(highlights, text) ?? []).map((mark) => ({ text, ...mark })));
  if (marks.length === 0) return null;
  return (
    <section aria-label={t('list')} className={styles.marks}>
      <h3>{t('list')}</h3>
      <ol>
        {marks.map(({ text, start, end, exact, colour }) => (
          <li key={`${text} ${start}`}>
            <Press className={styles.listed} onClick={() => goToMark(text, start, end, exact)}>
              <span className={highlighter.swatch} data-colour={colour} aria-hidden="true">
                {t('swatch')}
              </span>
              <span className="visually-hidden">{t(`colours.${colour}`)}</span>
              <span className={styles.words}>{shortened(exact.replace(/\s+/g, ' '), GLANCE)}</span>
            </Press>
          </li>
        ))}
      </ol>
    </section>
  );
}
/** Letters of a mark that the list shows. */
const GLANCE = 60;

/** Brings a mark into view and selects its words. */
function goToMark(text: string, start: number, end: number, exact: string): void {
  const root = document.querySelector<HTMLElement>(`[data-text-root="${CSS.escape(text)}"]`);
  const place = root && resolveAnchor(textOf(root), { start, end, exact });
  if (!root || !place) return;
  const [from, to] = [pointAt(root, place.start), pointAt(root, place.end - 1)];
  if (!from || !to) return;
  from.node.parentElement?.scrollIntoView({ block: 'center' });
  window.getSelection()?.setBaseAndExtent(from.node, from.offset, to.node, to.offset + 1);
}
