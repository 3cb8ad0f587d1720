'use client';

import { ArrowLeftRight, ChevronDown, ChevronUp, Contrast, Minus, PaintBucket, Plus } from 'lucide-react';
import { useEffect, useRef, useState, type CSSProperties, type KeyboardEvent } from 'react';
import { useTranslations } from 'use-intl';
import { own } from '@/core/own';
import { letterOfLine, lineAt, lineOfLetter, windowOf, type TextLine } from '@/core/view/lines';
import { useKept } from '../../attempt/PlayerContext';
import { useDrag } from '../../kit/useDrag';
import type { SheetLayerProps } from '../types';
import styles from './lineReader.module.css';
import { LINE_READER, SHADES, TINTS, type LineReaderState } from './state';
import { useTextLines } from './useTextLines';
import { Press } from '../../kit/Button';

const KEEP_AFTER_MS = 400;

/** A window of one to five real lines; the rest is dimmed but can still be pressed. */
export function LineReaderLayer({ sheet, textId, contentRef }: SheetLayerProps) {
  const [state, keep] = useKept('line-reader', LINE_READER);
  const alone = typeof document !== 'undefined' && !document.querySelector('[data-sheet=passage]');
  const active = state.on && (state.sheet === sheet || alone);
  if (!active || sheet === 'reference') return null;
  return <Reader key={textId} {...{ sheet, textId, contentRef, state, keep, alone }} />;
}

/** The one after, around and around. */
const after = <T,>(all: readonly T[], now: T): T => all[(all.indexOf(now) + 1) % all.length] ?? now;

interface Place {
  readonly lines: readonly TextLine[];
  readonly line: number;
  readonly letter: number;
}

interface ReaderProps extends SheetLayerProps {
  readonly sheet: LineReaderState['sheet'];
  readonly state: LineReaderState;
  readonly keep: (change: Partial<LineReaderState>) => void;
  readonly alone: boolean;
}

function Reader({ sheet, textId, contentRef, state, keep, alone }: ReaderProps) {
  const t = useTranslations('tools.line-reader');
  const { lines, height, bar } = useTextLines(contentRef);
  /** The window's place: a line as long as the lines are these, else the letter it began with. */
  const [place, setPlace] = useState<Place>({ lines: [], line: 0, letter: own(state.letters, textId) ?? 0 });
  const { count, shade, tint } = state;
  const readerRef = useRef<HTMLDivElement>(null);
  const barRef = useRef<HTMLDivElement>(null);
  const last = Math.max(0, lines.length - count);
  const first = Math.min(last, place.lines === lines ? place.line : lineOfLetter(lines, place.letter));
  const shown = windowOf(lines, first, count);

  useEffect(() => {
    if (own(state.letters, textId) === place.letter) return undefined;
    const timer = setTimeout(
      () => keep({ letters: { ...state.letters, [textId]: place.letter } }),
      KEEP_AFTER_MS,
    );
    return () => clearTimeout(timer);
    // `keep` and `state` change with every event; only a moved window is worth keeping.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [place.letter, textId]);

  const move = (next: number) => {
    const line = Math.max(0, Math.min(last, next));
    const letter = letterOfLine(lines, line);
    setPlace({ lines, line, letter: Number.isFinite(letter) ? letter : place.letter });
    requestAnimationFrame(() => {
      // Both belong on the screen: what is read, and what moves it.
      barRef.current?.scrollIntoView({ block: 'nearest' });
      readerRef.current?.scrollIntoView({ block: 'nearest' });
    });
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const steps: Readonly<Record<string, number>> = {
      ArrowDown: first + 1,
      ArrowUp: first - 1,
      Home: 0,
      End: last,
      PageDown: first + count,
      PageUp: first - count,
    };
    const next = steps[event.key];
    if (next === undefined) return;
    event.preventDefault();
    move(next);
  };
  const { handlers } = useDrag({
    enabled: true,
    begin: () => true,
    move: (event) => {
      const root = contentRef.current;
      const line = root ? lineAt(lines, event.clientY - root.getBoundingClientRect().top) : -1;
      if (line >= 0) move(line);
    },
  });

  if (!shown) return null;
  return (
    <div
      className={styles.layer}
      data-no-text=""
      data-tint={tint === 'none' ? undefined : tint}
      style={{ '--shade': `${shade}%` } as CSSProperties}
    >
      <div className={styles.dim} style={{ top: 0, height: Math.max(0, shown.top - 3) }} />
      <div
        ref={readerRef}
        className={styles.window}
        data-line-window=""
        style={{ top: shown.top - 3, height: shown.bottom - shown.top + 6 }}
      />
      <div className={styles.dim} style={{ top: shown.bottom + 3, bottom: 0 }} />
      <div
        ref={barRef}
        className={styles.bar}
        style={shown.bottom + bar > height ? { bottom: height - shown.top + 6 } : { top: shown.bottom + 6 }}
        role="group"
        aria-label={t('name')}
      >
        <div
          className={styles.handle}
          role="slider"
          tabIndex={0}
          aria-label={t('handle')}
          aria-orientation="vertical"
          aria-valuemin={1}
          aria-valuemax={Math.max(1, lines.length)}
          aria-valuenow={first + 1}
          aria-valuetext={t('position', { line: first + 1, lines: lines.length })}
          onKeyDown={onKeyDown}
          {...handlers}
        >
          {t('drag')}
        </div>
        <Press aria-label={t('up')} title={t('up')} disabled={first <= 0} onClick={() => move(first - 1)}>
          <ChevronUp size="1.2em" aria-hidden="true" />
        </Press>
        <Press
          aria-label={t('down')}
          title={t('down')}
          disabled={first >= last}
          onClick={() => move(first + 1)}
        >
          <ChevronDown size="1.2em" aria-hidden="true" />
        </Press>
        <Press
          aria-label={t('fewer')}
          title={t('fewer')}
          disabled={count <= 1}
          onClick={() => keep({ count: count - 1 })}
        >
          <Minus size="1.1em" aria-hidden="true" />
        </Press>
        <Press
          aria-label={t('more')}
          title={t('more')}
          disabled={count >= 5}
          onClick={() => keep({ count: count + 1 })}
        >
          <Plus size="1.1em" aria-hidden="true" />
        </Press>
        <Press
          aria-label={t('shade', { percent: shade })}
          title={t('shade', { percent: shade })}
          onClick={() => keep({ shade: after(SHADES, shade) })}
        >
          <Contrast size="1.1em" aria-hidden="true" />
        </Press>
        <Press
          aria-label={t('tint', { tint: t(`tints.${tint}`) })}
          title={t('tint', { tint: t(`tints.${tint}`) })}
          onClick={() => keep({ tint: after(TINTS, tint) })}
        >
          <PaintBucket size="1.1em" aria-hidden="true" />
        </Press>
        {!alone && (
          <Press
            aria-label={t(`to.${sheet}`)}
            title={t(`to.${sheet}`)}
            onClick={() => keep({ sheet: sheet === 'passage' ? 'question' : 'passage' })}
          >
            <ArrowLeftRight size="1.1em" aria-hidden="true" />
          </Press>
        )}
      </div>
    </div>
  );
}
