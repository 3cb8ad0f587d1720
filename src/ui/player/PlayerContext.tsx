'use client';

import { createContext, useContext, useSyncExternalStore } from 'react';
import type { BrowserAction } from '@/core/attempt/events';
import { itemOf, type AttemptState, type ItemState } from '@/core/attempt/state';
import type { DeliveredItem, DeliveredTest } from '@/core/item/delivered';
import type { AccessNeeds } from '@/core/needs';
import type { Layout } from '@/core/view/layout';
import type { AttemptSession, SessionStatus } from './session/session';

/** What the parts of the question screen share. One attempt, one place. */
export interface PlayerValue {
  readonly session: AttemptSession;
  readonly test: DeliveredTest;
  readonly studentName: string;
  readonly needs: AccessNeeds;
  readonly layout: Layout;
  /** Where a picture of the package is shown from. */
  readonly assetUrl: (path: string) => string;
  /** Says something to a screen reader, politely. */
  readonly announce: (words: string) => void;
  readonly dispatch: (action: BrowserAction) => void;
  /** Has the answer to a question checked now. False when it did not get through; nothing is lost. */
  readonly check: (ref: string, by: string | null) => Promise<boolean>;
}

const PlayerContext = createContext<PlayerValue | null>(null);
export const PlayerProvider = PlayerContext.Provider;

export function usePlayer(): PlayerValue {
  const value = useContext(PlayerContext);
  if (!value) throw new Error('usePlayer is used outside the player');
  return value;
}

/** A part of the attempt's state; the component is drawn again only when that part changes. */
export function useAttempt<T>(select: (state: AttemptState) => T): T {
  const { session } = usePlayer();
  const read = () => select(session.getState());
  return useSyncExternalStore(session.subscribe, read, read);
}

export function useStatus(): SessionStatus {
  const { session } = usePlayer();
  return useSyncExternalStore(session.subscribe, session.getStatus, session.getStatus);
}

/** The question on the screen. */
export function useCurrentItem(): { item: DeliveredItem; state: ItemState; ref: string } | null {
  const { test } = usePlayer();
  const ref = useAttempt((state) => state.current);
  const own = useAttempt((state) => (state.current === null ? null : itemOf(state, state.current)));
  const item = ref === null ? undefined : test.items[ref];
  return ref !== null && own && item ? { item, state: own, ref } : null;
}

/** What a tool keeps, with its own defaults under it. */
export function useToolState<T extends object>(tool: string, defaults: T): [T, (change: Partial<T>) => void] {
  const { dispatch } = usePlayer();
  const kept = useAttempt((state) => state.tools[tool]);
  return [{ ...defaults, ...kept }, (change) => dispatch({ type: 'tool-kept', tool, state: { ...change } })];
}
