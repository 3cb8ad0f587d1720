'use client';

import { BookA } from 'lucide-react';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { createPortal } from 'react-dom';
import { useTranslations } from 'use-intl';
import { own } from '@/core/own';
import type { CatalogCard } from '@/core/item/catalog';
import * as z from 'zod/mini';
import { usePlayer } from '../../attempt/PlayerContext';
import { ContentView } from '../../content/ContentView';
import { Button, Press } from '../../kit/Button';
import { defineTool, type QuestionProps, type SheetLayerProps } from '../types';
import { useWindows } from '../useWindows';
import styles from './glossary.module.css';

const MARKED = '[data-catalog-idref]';

/** Which entry is open; one for the page. */
let opened: { readonly id: string; readonly words: string } | null = null;
/** What it was opened from: there the focus goes back when the card is closed. */
let opener: HTMLElement | null = null;
const listeners = new Set<() => void>();
function openEntry(entry: typeof opened): void {
  opened = entry;
  for (const listener of listeners) listener();
}
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
const useOpened = () =>
  useSyncExternalStore(
    subscribe,
    () => opened,
    () => null,
  );

interface Mark {
  readonly id: string;
  readonly words: string;
  readonly element: HTMLElement;
}

/** The marked words of a text, followed through its changes. */
function useMarks(contentRef: SheetLayerProps['contentRef']): readonly Mark[] {
  const [marks, setMarks] = useState<readonly Mark[]>([]);
  useEffect(() => {
    const root = contentRef.current;
    if (!root) return undefined;
    const look = () => {
      const found = [...root.querySelectorAll<HTMLElement>(MARKED)].map((element) => ({
        id: element.dataset.catalogIdref ?? '',
        words: [...element.childNodes]
          .filter((node) => !(node instanceof Element && node.hasAttribute('data-no-text')))
          .map((node) => node.textContent ?? '')
          .join(''),
        element,
      }));
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
function MarkLayer({ contentRef }: SheetLayerProps) {
  const t = useTranslations('tools.glossary');
  const marks = useMarks(contentRef);
  const windows = useWindows();
  const open = ({ id, words }: Pick<Mark, 'id' | 'words'>) => {
    opener = marks.find((mark) => mark.id === id)?.element.querySelector<HTMLElement>('button') ?? null;
    openEntry({ id, words });
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
      latest.current({
        id: element.dataset.catalogIdref ?? '',
        words: element.firstChild?.textContent ?? '',
      });
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

/** The card of the word that was pressed; before that, the words of this question that have one. */
function GlossaryWindow({ itemRef }: QuestionProps) {
  const t = useTranslations('tools.glossary');
  const { test } = usePlayer();
  const entry = useOpened();
  const cards = own(test.items, itemRef)?.cards ?? {};
  const list = entry ? own(cards, entry.id) : undefined;
  const headingRef = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    headingRef.current?.focus();
  }, [entry]);
  // A closed window begins with the list again.
  useEffect(
    () => () => {
      openEntry(null);
      const back = opener;
      setTimeout(() => {
        // The window gave the focus to the page where nothing had it before.
        if (back?.isConnected && document.activeElement?.matches('body, main, [role=region]')) back.focus();
      });
    },
    [],
  );
  if (!entry || !list) return <p className={styles.empty}>{t('empty')}</p>;
  return (
    <div className={styles.cards}>
      <h3 ref={headingRef} tabIndex={-1}>
        {entry.words}
      </h3>
      {list.map((card, i) => (
        <Card key={i} card={card} />
      ))}
      <Button small onClick={() => openEntry(null)}>
        {t('back')}
      </Button>
    </div>
  );
}

const KNOWN = [
  'glossary-on-screen',
  'keyword-translation',
  'simplified-language-portions',
  'item-translation',
  'sign-language',
  'audio-description',
  'long-description',
  'illustration',
  'encouragement',
] as const;

function Card({ card: { support, language, content } }: { readonly card: CatalogCard }) {
  const t = useTranslations('tools.glossary');
  const { assetUrl } = usePlayer();
  const name = KNOWN.find((one) => one === support);
  return (
    <section className={styles.card} aria-label={name ? t(`supports.${name}`) : support}>
      <h4>
        {name ? t(`supports.${name}`) : support}
        {language !== null && <> · {languageName(language)}</>}
      </h4>
      <div lang={language ?? undefined}>
        <ContentView content={content} slots={{ assetUrl }} />
      </div>
    </section>
  );
}

/** A language by its own name: español, Soomaali. */
function languageName(language: string): string {
  try {
    return new Intl.DisplayNames([language], { type: 'language' }).of(language) ?? language;
  } catch {
    return language;
  }
}

export const glossary = defineTool({
  id: 'glossary',
  Icon: BookA,
  letter: 'G',
  button: 'window',
  group: 'reading',
  access: 'with-cards',
  state: { schema: z.object({}), initial: () => ({}), scope: 'test' },
  window: { Content: GlossaryWindow, size: () => ({ width: 20, height: 22 }) },
  sheetLayer: { order: 5, Layer: MarkLayer },
});
