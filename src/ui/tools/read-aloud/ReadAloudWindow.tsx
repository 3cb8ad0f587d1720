'use client';

import { Pause, Play, SkipBack, SkipForward, Square } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Sentence } from '@/core/tools/speech';
import { useKept, usePlayer } from '../../attempt/PlayerContext';
import { Button } from '../../kit/Button';
import { stretchOf } from '../domText';
import shared from '../tools.module.css';
import type { QuestionProps } from '../types';
import { placeOf, whereRead } from '../whereRead';
import { reader } from './reader';
import styles from './readAloud.module.css';
import { RATES, READ_ALOUD } from './state';
import { useScript } from './useScript';
import { findVoice } from './voice';

const passageText = (): HTMLElement | null =>
  document.querySelector<HTMLElement>('[data-sheet=passage] [data-text-root]');
const questionText = (itemRef: string): HTMLElement | null =>
  document.querySelector<HTMLElement>(`[data-text-root="${CSS.escape(`item:${itemRef}`)}"]`);

/** Words selected in a sheet, kept while a button of this window is pressed. */
function useSelected(): { readonly root: HTMLElement; readonly start: number; readonly end: number } | null {
  const [selected, setSelected] = useState<ReturnType<typeof useSelected>>(null);
  useEffect(() => {
    const look = () => {
      const selection = window.getSelection();
      const inside = document.activeElement?.closest('[data-window]');
      if (!selection || selection.rangeCount === 0 || selection.isCollapsed) {
        if (!inside) setSelected(null);
        return;
      }
      const node = selection.anchorNode;
      const root = (node instanceof Element ? node : node?.parentElement)?.closest<HTMLElement>(
        '[data-text-root]',
      );
      const stretch = root && stretchOf(root, selection.getRangeAt(0));
      setSelected(root && stretch ? { root, ...stretch } : null);
    };
    document.addEventListener('selectionchange', look);
    return () => document.removeEventListener('selectionchange', look);
  }, []);
  return selected;
}

/** Reads aloud from where the student is, the question, the passage, or what is selected; pauses, goes back, faster and slower. */
export function ReadAloudWindow({ itemRef }: QuestionProps) {
  const t = useTranslations('tools.read-aloud');
  const scriptIn = useScript();
  const { announce } = usePlayer();
  const [manner, keep] = useKept('read-aloud', READ_ALOUD);
  const status = reader.useStatus();
  const selected = useSelected();
  const voice = useVoiceName();
  useEffect(() => reader.setManner(manner), [manner]);
  // Another question is another text, unless both stand on one page; and a closed window is silent.
  useEffect(() => () => void (questionText(itemRef) ?? reader.stop()), [itemRef]);
  /** Counts what was asked for. */
  const wantedRef = useRef(0);
  useEffect(
    () => () => {
      wantedRef.current += 1;
      reader.stop();
    },
    [],
  );

  const read = async (root: HTMLElement | null, keepOnly: (sentence: Sentence) => boolean = () => true) => {
    wantedRef.current += 1;
    const wanted = wantedRef.current;
    const sentences = root ? (await scriptIn(root)).filter(keepOnly) : [];
    // Meanwhile something else was asked for, or the window is closed.
    if (wanted !== wantedRef.current) return;
    if (root && sentences.length > 0) reader.read(root, sentences);
    else announce(t('nothing'));
  };
  const fromHere = () => {
    const place = whereRead();
    if (!place) return announce(t('nothing'));
    const from = placeOf(place.root, place.where);
    return read(place.root, ({ end }) => end > from);
  };
  const passage = passageText() !== null;
  const busy = status !== 'idle' && status !== 'failed';
  return (
    <div className={styles.panel}>
      <div className={styles.row} role="group" aria-label={t('what')}>
        <Button small onClick={() => void fromHere()}>
          {t('here')}
        </Button>
        <Button small onClick={() => void read(questionText(itemRef))}>
          {t('question')}
        </Button>
        {passage && (
          <Button small onClick={() => void read(passageText())}>
            {t('passage')}
          </Button>
        )}
        <Button
          small
          disabled={!selected}
          onMouseDown={(event) => event.preventDefault()}
          onClick={() =>
            selected &&
            void read(selected.root, ({ start, end }) => end > selected.start && start < selected.end)
          }
        >
          {t('selection')}
        </Button>
      </div>
      <div className={styles.row} role="group" aria-label={t('how')}>
        <Button disabled={!busy} aria-label={t('back')} title={t('back')} onClick={() => reader.step(-1)}>
          <SkipBack size="1.15em" aria-hidden="true" />
        </Button>
        <Button
          disabled={!busy}
          aria-label={t(status === 'paused' ? 'resume' : 'pause')}
          title={t(status === 'paused' ? 'resume' : 'pause')}
          onClick={() => (status === 'paused' ? reader.resume() : reader.pause())}
        >
          {status === 'paused' ? (
            <Play size="1.15em" aria-hidden="true" />
          ) : (
            <Pause size="1.15em" aria-hidden="true" />
          )}
        </Button>
        <Button disabled={!busy} aria-label={t('on')} title={t('on')} onClick={() => reader.step(1)}>
          <SkipForward size="1.15em" aria-hidden="true" />
        </Button>
        <Button disabled={!busy} aria-label={t('stop')} title={t('stop')} onClick={() => reader.stop()}>
          <Square size="1.1em" aria-hidden="true" />
        </Button>
      </div>
      <label className={shared.setting}>
        {t('rate')}
        <select value={String(manner.rate)} onChange={(event) => keep({ rate: Number(event.target.value) })}>
          {RATES.map((rate) => (
            <option key={rate} value={String(rate)}>
              {t('times', { rate })}
            </option>
          ))}
        </select>
      </label>
      <label className={shared.setting}>
        {t('volume')}
        <input
          type="range"
          className={styles.loudness}
          min={0}
          max={1}
          step={0.1}
          value={manner.volume}
          aria-valuetext={t('percent', { percent: Math.round(manner.volume * 100) })}
          onChange={(event) => keep({ volume: Number(event.target.value) })}
        />
      </label>
      <p className={styles.voice} role="status" data-reader={status}>
        {status === 'failed'
          ? t('failed')
          : status === 'starting'
            ? t('starting')
            : voice === null
              ? ''
              : voice === ''
                ? t('shipped')
                : t('device', { name: voice })}
      </p>
    </div>
  );
}

/** The voice that speaks: its name, '' for the shipped one; null until it is known. */
function useVoiceName(): string | null {
  const [name, setName] = useState<string | null>(null);
  useEffect(() => {
    let here = true;
    void findVoice().then((voice) => here && setName(voice.name));
    return () => {
      here = false;
    };
  }, []);
  return name;
}
