'use client';

import { useEffect, useRef } from 'react';
import { useTranslations } from 'use-intl';
import { own } from '@/core/own';
import type { CatalogCard } from '@/core/item/catalog';
import { usePlayer } from '../../attempt/PlayerContext';
import { ContentView } from '../../content/ContentView';
import { Button } from '../../kit/Button';
import type { QuestionProps } from '../types';
import { openEntry } from './entry';
import styles from './glossary.module.css';

/** The card of the word that was pressed; before that, the words of this question that have one. */
export function GlossaryWindow({ itemRef }: QuestionProps) {
  const t = useTranslations('tools.glossary');
  const { test } = usePlayer();
  const entry = openEntry.use();
  const cards = own(test.items, itemRef)?.cards ?? {};
  const list = entry ? own(cards, entry.id) : undefined;
  const headingRef = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    headingRef.current?.focus();
  }, [entry]);
  // A closed window begins with the list again.
  useEffect(
    () => () => {
      const back = openEntry.get()?.opener;
      openEntry.set(null);
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
      <Button small onClick={() => openEntry.set(null)}>
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
