'use client';

import { ChevronDown, ChevronUp, Minus, Plus } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { sheetName, type ReferenceSheet } from '@/core/item/materials';
import { own } from '@/core/own';
import { MOST_FOUND } from '@/core/tools/reference';
import { useKept, usePlayer } from '../../attempt/PlayerContext';
import content from '../../content/content.module.css';
import { ContentView } from '../../content/ContentView';
import { Boundary } from '../../kit/Boundary';
import { Button } from '../../kit/Button';
import { useWidth } from '../../kit/useWidth';
import type { WindowContentProps } from '../types';
import { PdfSheet } from './PdfSheet';
import styles from './reference.module.css';
import { REFERENCE, SIZES } from './state';
import { useFound } from './useFound';

/** The sheets that come with a question: chosen, searched, larger and smaller, marked and read aloud like a passage. */
export function ReferenceWindow({ itemRef, TextLayers }: WindowContentProps) {
  const { test } = usePlayer();
  const sheets = own(test.items, itemRef)?.materials.sheets ?? [];
  const [{ path }, keep] = useKept('reference', REFERENCE);
  const sheet = sheets.find((one) => one.path === path) ?? sheets[0];
  if (!sheet) return null;
  return (
    <div className={styles.reference}>
      {sheets.length > 1 && <Choice sheets={sheets} now={sheet} onChoose={(one) => keep({ path: one })} />}
      <Sheet key={sheet.path} sheet={sheet} TextLayers={TextLayers} />
    </div>
  );
}

interface ChoiceProps {
  readonly sheets: readonly ReferenceSheet[];
  readonly now: ReferenceSheet;
  readonly onChoose: (path: string) => void;
}

function Choice({ sheets, now, onChoose }: ChoiceProps) {
  const t = useTranslations('tools.reference');
  return (
    <div className={styles.row} role="group" aria-label={t('which')}>
      {sheets.map(({ path, title }) => (
        <Button key={path} small aria-pressed={path === now.path} onClick={() => onChoose(path)}>
          {title}
        </Button>
      ))}
    </div>
  );
}

/** What is scrolled rests this long before its place is kept. */
const REST_MS = 500;

function Sheet({
  sheet,
  TextLayers,
}: { readonly sheet: ReferenceSheet } & Pick<WindowContentProps, 'TextLayers'>) {
  const t = useTranslations('tools.reference');
  const { test, assetUrl, announce, look } = usePlayer();
  const [state, keep] = useKept('reference', REFERENCE);
  const [scrollerRef, { width }] = useWidth<HTMLDivElement>(0);
  const rootRef = useRef<HTMLDivElement>(null);
  const [sought, setSought] = useState('');
  const [version, setVersion] = useState(sheet.kind === 'page' ? 1 : 0);
  const rest = useRef<ReturnType<typeof setTimeout>>(undefined);
  const found = useFound(rootRef, sought, version);
  const name = sheetName(sheet);
  const textId = `stimulus:${name}`;
  const step = (by: 1 | -1) => {
    const sizes = by === 1 ? SIZES : [...SIZES].reverse();
    const next = sizes.find((one) => (by === 1 ? one > state.size : one < state.size));
    if (next === undefined) return;
    keep({ size: next });
    announce(t('now', { percent: Math.round(next * 100) }));
  };
  // Where it was left; a PDF has its height only when its pages stand.
  const begun = useRef(false);
  useEffect(() => {
    const scroller = scrollerRef.current;
    if (begun.current || version === 0 || width === 0 || !scroller) return;
    begun.current = true;
    scroller.scrollTop = (own(state.places, sheet.path) ?? 0) * scroller.scrollHeight;
  }, [scrollerRef, sheet.path, state.places, version, width]);
  return (
    <>
      <div className={styles.row} role="group" aria-label={t('find')}>
        <input
          type="search"
          className={styles.sought}
          aria-label={t('sought')}
          placeholder={t('sought')}
          value={sought}
          maxLength={100}
          onChange={(event) => setSought(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Escape' && sought !== '') {
              event.stopPropagation();
              setSought('');
            } else if (event.key === 'Enter') {
              event.preventDefault();
              found.go(event.shiftKey ? -1 : 1);
            }
          }}
        />
        <Button
          small
          disabled={found.places.length === 0}
          aria-label={t('before')}
          title={t('before')}
          onClick={() => found.go(-1)}
        >
          <ChevronUp size="1.2em" aria-hidden="true" />
        </Button>
        <Button
          small
          disabled={found.places.length === 0}
          aria-label={t('after')}
          title={t('after')}
          onClick={() => found.go(1)}
        >
          <ChevronDown size="1.2em" aria-hidden="true" />
        </Button>
        <span className={styles.size} role="group" aria-label={t('size')}>
          <Button
            small
            disabled={state.size <= SIZES[0]}
            aria-label={t('smaller')}
            title={t('smaller')}
            onClick={() => step(-1)}
          >
            <Minus size="1.15em" aria-hidden="true" />
          </Button>
          <span>{t('percent', { percent: Math.round(state.size * 100) })}</span>
          <Button
            small
            disabled={state.size >= (SIZES.at(-1) ?? 4)}
            aria-label={t('larger')}
            title={t('larger')}
            onClick={() => step(1)}
          >
            <Plus size="1.15em" aria-hidden="true" />
          </Button>
        </span>
      </div>
      <p className={styles.found} role="status" data-found={found.places.length}>
        {sought.trim() === ''
          ? ''
          : t('found', {
              count: found.places.length,
              at: found.at + 1,
              more: found.places.length >= MOST_FOUND ? 'yes' : 'no',
            })}
      </p>
      <div
        ref={scrollerRef}
        className={styles.scroller}
        data-sheet="reference"
        // Whoever works with the keys scrolls it with them.
        // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
        tabIndex={0}
        role="region"
        aria-label={sheet.title}
        onScroll={({ currentTarget: { scrollTop, scrollHeight } }) => {
          if (!begun.current) return;
          const place = Math.min(1, Math.max(0, scrollTop / scrollHeight));
          clearTimeout(rest.current);
          rest.current = setTimeout(
            () => keep({ places: { ...state.places, [sheet.path]: place } }),
            REST_MS,
          );
        }}
      >
        <div
          ref={rootRef}
          className={sheet.kind === 'page' ? `${styles.text} ${content.content}` : styles.pages}
          data-text-root={textId}
          style={sheet.kind === 'page' ? { fontSize: `${state.size}em` } : undefined}
        >
          <Boundary fallback={<p role="alert">{t('failed')}</p>}>
            {sheet.kind === 'page' ? (
              <ContentView content={own(test.stimuli, name)?.body ?? []} slots={{ assetUrl }} />
            ) : (
              <PdfSheet
                address={assetUrl(sheet.path)}
                size={state.size}
                room={Math.max(120, width - 2)}
                look={`${look.scheme} ${JSON.stringify(look.own)}`}
                onText={() => setVersion((before) => before + 1)}
              />
            )}
          </Boundary>
          <TextLayers key={version} textId={textId} contentRef={rootRef} />
        </div>
      </div>
    </>
  );
}
