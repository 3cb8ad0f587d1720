'use client';

import { Eraser, Eye, EyeOff, Pencil, Slash, Trash2, Undo2 } from 'lucide-react';
import { useEffect } from 'react';
import { useTranslations } from 'use-intl';
import { SKETCH_COLOURS, SKETCH_WIDTHS } from '@/core/tools/sketch';
import { useKept, useKeptAt, usePlayer } from '../../attempt/PlayerContext';
import { Button } from '../../kit/Button';
import { usePointer } from '../pointer';
import type { QuestionProps } from '../types';
import styles from './sketch.module.css';
import { PEN, STROKES, strokesOf } from './state';

const KINDS = [
  { kind: 'pencil', Icon: Pencil },
  { kind: 'line', Icon: Slash },
  { kind: 'eraser', Icon: Eraser },
] as const;

/** What is drawn with, and taking back. A kind that is pressed takes the pointer; pressed again, or Escape, gives it back. */
export function SketchWindow({ itemRef }: QuestionProps) {
  const t = useTranslations('tools.sketch');
  const { announce } = usePlayer();
  const [pen, keepPen] = useKept('sketch', PEN);
  const [kept, keep] = useKeptAt('sketch', itemRef, STROKES);
  const { mine, take, giveBack } = usePointer('sketch');
  const strokes = strokesOf(kept);
  const last = strokes.at(-1);
  // Going to another question, or closing the window, gives the pointer back; only a press takes it.
  useEffect(() => {
    const end = giveBack;
    return end;
    // By question alone.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [itemRef]);
  return (
    <div className={styles.panel}>
      <div className={styles.row} role="group" aria-label={t('with')}>
        {KINDS.map(({ kind, Icon }) => (
          <Button
            key={kind}
            small
            aria-pressed={mine && pen.kind === kind}
            onClick={() => {
              if (mine && pen.kind === kind) return giveBack();
              keepPen({ kind, shown: true });
              return take();
            }}
          >
            <Icon size="1.1em" aria-hidden="true" />
            {t(`kinds.${kind}`)}
          </Button>
        ))}
      </div>
      <div className={styles.row} role="group" aria-label={t('colour')}>
        {SKETCH_COLOURS.map((colour) => (
          <Button key={colour} small aria-pressed={pen.colour === colour} onClick={() => keepPen({ colour })}>
            <span className={styles.swatch} data-colour={colour} aria-hidden="true" />
            {t(`colours.${colour}`)}
          </Button>
        ))}
      </div>
      <div className={styles.row} role="group" aria-label={t('width')}>
        {SKETCH_WIDTHS.map((width, i) => (
          <Button key={width} small aria-pressed={pen.width === width} onClick={() => keepPen({ width })}>
            {t('widths', { index: i })}
          </Button>
        ))}
      </div>
      <div className={styles.row}>
        <Button
          small
          disabled={!last}
          onClick={() => {
            if (last) keep({ [last.name]: null });
            announce(t('undone', { count: strokes.length - 1 }));
          }}
        >
          <Undo2 size="1.1em" aria-hidden="true" />
          {t('undo')}
        </Button>
        <Button
          small
          disabled={strokes.length === 0}
          onClick={() => {
            keep(Object.fromEntries(strokes.map(({ name }) => [name, null])));
            announce(t('cleared'));
          }}
        >
          <Trash2 size="1.1em" aria-hidden="true" />
          {t('clear')}
        </Button>
        <Button
          small
          aria-pressed={!pen.shown}
          onClick={() => {
            keepPen({ shown: !pen.shown });
            if (pen.shown) giveBack();
            announce(t(pen.shown ? 'hidden' : 'shownAgain'));
          }}
        >
          {pen.shown ? <EyeOff size="1.1em" aria-hidden="true" /> : <Eye size="1.1em" aria-hidden="true" />}
          {t(pen.shown ? 'hide' : 'show')}
        </Button>
      </div>
      <p className={styles.hint}>{t('hint')}</p>
    </div>
  );
}
