'use client';

import { useEffect, useState } from 'react';
import type { Away } from '@/core/attempt/state';
import { usePlayer } from '../../attempt/PlayerContext';

/** A window that is behind for less than this was only passed over, in milliseconds. */
const PASSING_MS = 1_000;

/** What is told of having been away. */
export interface WasAway {
  readonly how: Away['how'];
  /** Milliseconds. */
  readonly ms: number;
}

/** A page that is loaded again is back within this, in milliseconds. */
const RELOAD_MS = 20_000;
/** Whether this page is one that was there before, loaded again (W3C Navigation Timing). */
const isReload = (): boolean =>
  performance.getEntriesByType('navigation').some((one) => 'type' in one && one.type === 'reload');

/**
 * Notices that the page is left while the test has the screen for itself: hidden, gone from, behind another window, or no longer the
 * whole screen. Written down when it happens; what is to be told stands when the student is back, in this page or another. Choosing a
 * file is not leaving, and neither is loading the page again: what was written down as leaving is then taken back.
 */
export function useAway(): { readonly away: WasAway | null; readonly told: () => void } {
  const { session, dispatch } = usePlayer();
  const [away, setAway] = useState<WasAway | null>(null);
  useEffect(() => {
    const gone = new AbortController();
    const { signal } = gone;
    let choosesFile = false;
    let passing: ReturnType<typeof setTimeout> | undefined;
    const isLeft = () => session.getState().away;
    const leave = (how: Away['how']) => {
      if (isLeft() === null) dispatch({ type: 'left', how });
    };
    const comeBack = (reloaded = false) => {
      clearTimeout(passing);
      choosesFile = false;
      const left = isLeft();
      if (left === null || document.visibilityState === 'hidden' || !document.hasFocus()) return;
      const ms = Math.max(0, session.clock.now() - left.since);
      const wasReload = reloaded && ms < RELOAD_MS;
      if (!wasReload) setAway({ how: left.how, ms });
      dispatch({ type: 'returned', ...(wasReload && { reloaded: true }) });
    };
    const seen = () => (document.visibilityState === 'hidden' ? leave('hidden') : comeBack());
    const focused = () => comeBack();
    const behind = () => {
      clearTimeout(passing);
      passing = setTimeout(() => !document.hasFocus() && !choosesFile && leave('behind'), PASSING_MS);
    };
    const filled = () => {
      if (document.fullscreenElement !== null || isLeft() !== null) return;
      leave('windowed');
      comeBack();
    };
    const pressed = ({ target }: Event) => {
      if (target instanceof HTMLInputElement && target.type === 'file') choosesFile = true;
    };
    document.addEventListener('visibilitychange', seen, { signal });
    document.addEventListener('fullscreenchange', filled, { signal });
    document.addEventListener('click', pressed, { capture: true, signal });
    window.addEventListener('blur', behind, { signal });
    window.addEventListener('focus', focused, { signal });
    // Left in an earlier page.
    comeBack(isReload());
    return () => {
      clearTimeout(passing);
      gone.abort();
    };
  }, [dispatch, session]);
  return { away, told: () => setAway(null) };
}
