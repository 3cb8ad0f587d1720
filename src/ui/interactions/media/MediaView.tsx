'use client';

import { Pause, Play } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { playsLeft, type MediaModel } from '@/core/interactions/media';
import { responseTexts } from '@/core/content/response';
import { useTold } from '../../kit/speech';
import { useHandler } from '../../kit/useHandler';
import { ContentView } from '../../content/ContentView';
import shared from '../shared.module.css';
import { Task } from '../shared/Task';
import type { InteractionProps } from '../types';
import styles from './media.module.css';
import { Button } from '../../kit/Button';
import { Fold } from '../../kit/Fold';

const clock = (seconds: number): string => {
  const whole = Math.max(0, Math.floor(Number.isFinite(seconds) ? seconds : 0));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
};

/** The share of a sound after which hearing it was a play. */
const FAIR_PART = 0.5;
/** Before this share of it a new time through has begun: well before the fair part, as a player's clock may tick back a little. */
const BEGINNING = 0.25;

/**
 * Sound or video with our own buttons, because plays are counted: a play counts once half of it was heard, pausing and going on
 * does not, and leaving the question pauses. Captions are the file's own and are on where there are some; below they are to be read
 * at leisure.
 */
export function MediaView({
  model,
  response,
  onAnswer,
  slots,
  announce,
  readOnly,
}: InteractionProps<MediaModel>) {
  const t = useTranslations('interactions.media');
  const hostRef = useRef<HTMLDivElement>(null);
  const [playing, setPlaying] = useState(false);
  const [time, setTime] = useState({ now: 0, length: 0 });
  const [failed, setFailed] = useState(false);
  const plays = Number(responseTexts(response)[0] ?? 0) || 0;
  const left = playsLeft(model, plays);
  const [lines, setLines] = useState<readonly string[]>([]);
  const count = useHandler(() => onAnswer(String(plays + 1), 'happened'));
  /** Whether this time through has been counted; kept while the question is left, as the player is. */
  const countedRef = useRef(false);
  const playerOf = () => hostRef.current?.querySelector<HTMLMediaElement>('audio, video') ?? null;

  useEffect(() => {
    const player = hostRef.current?.querySelector<HTMLMediaElement>('audio, video');
    if (!player) return undefined;
    player.controls = false;
    player.loop = model.loop && model.maxPlays === 0;
    for (const track of player.textTracks) track.mode = 'showing';
    const tell = () => {
      const { currentTime: now, duration: length } = player;
      if (now < length * BEGINNING) countedRef.current = false;
      else if (!countedRef.current && (player.ended || now >= length * FAIR_PART)) {
        countedRef.current = true;
        count();
      }
      setTime({ now, length });
      setPlaying(!player.paused && !player.ended);
    };
    tell();
    const tracks = player.querySelectorAll('track');
    const readTracks = () =>
      setLines(
        [...tracks]
          .flatMap(({ track }) => [...(track.cues ?? [])])
          .map((cue) => ('text' in cue ? String(cue.text) : '')),
      );
    readTracks();
    tracks.forEach((track) => track.addEventListener('load', readTracks));
    const fail = () => setFailed(true);
    const events = ['play', 'pause', 'ended', 'timeupdate', 'loadedmetadata'];
    events.forEach((name) => player.addEventListener(name, tell));
    player.addEventListener('error', fail, true);
    return () => {
      events.forEach((name) => player.removeEventListener(name, tell));
      tracks.forEach((track) => track.removeEventListener('load', readTracks));
      player.removeEventListener('error', fail, true);
      player.pause();
      setPlaying(false);
    };
  }, [count, model]);

  const begun = time.now > 0 && time.now < time.length;
  const press = () => {
    const player = playerOf();
    if (!player || readOnly) return;
    if (playing) return player.pause();
    if (!begun && left === 0) return announce(t('noneLeft'));
    player.play().then(
      () => setFailed(false),
      // Leaving at once is no failure of the sound.
      (problem: unknown) => setFailed(!(problem instanceof DOMException && problem.name === 'AbortError')),
    );
  };
  const used = model.maxPlays > 0 ? t('used', { plays, maximum: model.maxPlays }) : t('plays', { plays });
  const usedWords = left === 0 && !begun ? t('noneLeft') : used;
  useTold(announce, usedWords);
  return (
    <Task model={model} slots={slots}>
      <div className={styles.player}>
        <div ref={hostRef} className={styles.host}>
          <ContentView content={model.content} slots={slots} />
        </div>
        <div className={styles.bar}>
          <Button disabled={!playing && !begun && left === 0} onClick={press}>
            {playing ? <Pause size="1.2em" aria-hidden="true" /> : <Play size="1.2em" aria-hidden="true" />}
            {playing ? t('pause') : begun ? t('goOn') : t('play')}
          </Button>
          <progress
            className={styles.line}
            value={time.now}
            max={time.length || 1}
            aria-label={t('position')}
          />
          <span className={styles.clock}>
            {clock(time.now)} / {clock(time.length)}
          </span>
          <span className={styles.used}>{usedWords}</span>
        </div>
      </div>
      {lines.length > 0 && (
        <Fold title={t('inWords')}>
          {lines.map((line, i) => (
            <p key={i}>{line.replace(/<[^>]*>/g, '')}</p>
          ))}
        </Fold>
      )}
      {failed && <p className={shared.notice}>{t('failed')}</p>}
    </Task>
  );
}
