'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { entered, left, lit, stepped, waits, type Scan } from '@/core/tools/scanning';
import { scriptOf } from '@/core/tools/speech';
import { useKept } from '../../attempt/PlayerContext';
import { useHandler } from '../../kit/useHandler';
import { findVoice } from '../read-aloud/voice';
import { groupsNow, type Lit, type Words } from './controls';
import { Dwell } from './Dwell';
import { LetterBoard } from './LetterBoard';
import styles from './oneSwitch.module.css';
import { ONE_SWITCH } from './state';

/** The whole screen by one switch or two, and by a pointer that has no button. */
export function OneSwitchLayer() {
  const [{ on, rests }] = useKept('one-switch', ONE_SWITCH);
  return (
    <>
      {on && <Scanner />}
      {rests !== null && <Dwell seconds={rests} />}
    </>
  );
}

const isThere = ({ around }: Lit): boolean => around.some((one) => one.isConnected);

/** The page needs a moment after a press: a question comes, a dialog opens. */
const SETTLES_MS = 250;

function Scanner() {
  const t = useTranslations('tools.one-switch');
  const [{ switches, seconds, spoken }] = useKept('one-switch', ONE_SWITCH);
  const words = useMemo<Words>(
    () => ({
      less: t('less'),
      more: t('more'),
      scroll: (label) => t('scroll', { label }),
      row: (labels) => t('row', { labels }),
    }),
    [t],
  );
  const [scan, setScan] = useState<Scan<Lit>>([]);
  const [writing, setWriting] = useState<HTMLElement | null>(null);
  const now = lit(scan);

  const withBack = useCallback(
    (items: readonly Lit[], around: readonly Element[]): readonly Lit[] => [
      ...items,
      { label: t('back'), around, press: () => null },
    ],
    [t],
  );
  /** The screen as it is now, gone on with where it was as far as that is still there. */
  const renew = useCallback(
    (was: Scan<Lit>) => {
      const groups = groupsNow(words);
      const [outer, rows] = was;
      const group = outer?.items[outer.at];
      const at = groups.findIndex(({ around }) => around[0] === group?.around[0]);
      const same = groups[at];
      const again: Scan<Lit> = [{ items: groups, at: Math.max(0, at) }];
      const inside = same?.press();
      setScan(
        same && rows && Array.isArray(inside)
          ? entered(again, withBack(inside as readonly Lit[], same.around), rows.at)
          : again,
      );
    },
    [words, withBack],
  );
  // What is there is looked at once the page stands, and again when the letters come and go.
  useEffect(() => {
    const timer = setTimeout(() => renew([]), SETTLES_MS);
    return () => clearTimeout(timer);
  }, [renew, writing]);

  const choose = useHandler(() => {
    const was = lit(scan);
    const level = scan.at(-1);
    // The page may have changed by other hands: what is chosen is what is there now.
    const thing =
      scan.length === 1 ? groupsNow(words).find(({ around }) => around[0] === was?.around[0]) : was;
    if (!thing || !level || !isThere(thing)) return renew([]);
    // The last thing of every level but the outermost leads out of it.
    if (scan.length > 1 && level.at === level.items.length - 1) return setScan(left(scan));
    const inside = thing.press();
    if (inside === 'write') return setWriting(document.activeElement as HTMLElement);
    if (inside) return setScan(entered(scan, withBack(inside, thing.around)));
    if (thing.stays) return undefined;
    setTimeout(() => renew(scan), SETTLES_MS);
    return undefined;
  });
  const goOn = useHandler(() => {
    const next = stepped(scan);
    const thing = lit(next);
    if (!thing || !isThere(thing)) return renew([]);
    // Once around the groups of the screen are looked at anew.
    return next.length === 1 && next[0]?.at === 0 ? renew([]) : setScan(next);
  });

  useEffect(() => {
    if (switches !== 'one') return undefined;
    const timer = setTimeout(goOn, waits(scan, seconds));
    return () => clearTimeout(timer);
  }, [scan, switches, seconds, goOn]);

  useEffect(() => {
    const keys = new Map<string, () => void>(
      switches === 'one'
        ? [[' ', choose]]
        : [
            [' ', goOn],
            ['Enter', choose],
          ],
    );
    const down = (event: KeyboardEvent) => {
      const act = keys.get(event.key);
      if (!act || event.altKey || event.ctrlKey || event.metaKey || !event.isTrusted) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      if (!event.repeat) act();
    };
    // A button is pressed when the bar comes up again: that was the switch, not the button.
    const up = (event: KeyboardEvent) => {
      if (keys.has(event.key) && event.isTrusted) {
        event.preventDefault();
        event.stopImmediatePropagation();
      }
    };
    window.addEventListener('keydown', down, true);
    window.addEventListener('keyup', up, true);
    return () => {
      window.removeEventListener('keydown', down, true);
      window.removeEventListener('keyup', up, true);
    };
  }, [switches, choose, goOn]);

  useSpoken(spoken ? (now?.label ?? null) : null);
  return (
    <>
      {writing && <LetterBoard into={writing} onDone={() => setWriting(null)} />}
      {now && <Light thing={now} depth={scan.length} />}
    </>
  );
}

/** The light around what would be chosen now; it follows what moves, and brings it into view. */
function Light({ thing, depth }: { readonly thing: Lit; readonly depth: number }) {
  const ref = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (depth > 1) thing.around[0]?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
    let frame = 0;
    const follow = () => {
      const boxes = thing.around.map((one) => one.getBoundingClientRect());
      const [leftmost, top] = [
        Math.min(...boxes.map((one) => one.left)),
        Math.min(...boxes.map((one) => one.top)),
      ];
      const [right, bottom] = [
        Math.max(...boxes.map((one) => one.right)),
        Math.max(...boxes.map((one) => one.bottom)),
      ];
      const light = ref.current;
      const lies = [leftmost, top, right, bottom, window.innerWidth, window.innerHeight].join(' ');
      // Untouched while nothing moves: whoever watches the page is told of no change.
      if (light && light.dataset.lies !== lies) {
        light.dataset.lies = lies;
        light.style.transform = `translate(${Math.max(2, leftmost - 4)}px, ${Math.max(2, top - 4)}px)`;
        light.style.width = `${Math.min(window.innerWidth - 4, right + 4) - Math.max(2, leftmost - 4)}px`;
        light.style.height = `${Math.min(window.innerHeight - 4, bottom + 4) - Math.max(2, top - 4)}px`;
      }
      frame = requestAnimationFrame(follow);
    };
    follow();
    return () => cancelAnimationFrame(frame);
  }, [thing, depth]);
  return (
    <div
      ref={ref}
      className={styles.light}
      data-scan-light={depth}
      data-label={thing.label}
      aria-hidden="true"
    />
  );
}

/** Says what is lit with the voice that reads aloud. */
function useSpoken(label: string | null): void {
  useEffect(() => {
    if (label === null) return undefined;
    let gone = false;
    let stop = () => undefined as unknown;
    const [sentence] = scriptOf([
      { text: label, start: 0, language: document.documentElement.lang, block: 1 },
    ]);
    if (sentence)
      void findVoice()
        .then((voice) => {
          if (gone) return undefined;
          stop = () => voice.stop();
          return voice.speak(sentence, { rate: 1, volume: 1 }, () => undefined);
        })
        .catch(() => undefined);
    return () => {
      gone = true;
      stop();
    };
  }, [label]);
}
