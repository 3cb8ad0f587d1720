'use client';

import { createContext, useContext, useMemo, useSyncExternalStore, type ReactNode } from 'react';
import type { BrowserAction } from '@/core/attempt/events';
import type { AttemptState } from '@/core/attempt/state';
import type { DeliveredTest } from '@/core/item/delivered';
import type { AccessNeeds } from '@/core/needs';
import type { Layout } from '@/core/view/layout';
import { own } from '@/core/own';
import type { Announce } from '../kit/speech';
import { PaletteContext, paletteOfLook } from '../kit/usePageLook';
import { keptAt, readKept, type Kept, type KeptState, type PageLook } from './kept';
import type { AttemptSession, SessionStatus } from './session/session';

/** What the parts of the question screen share. One attempt, one place. */
export interface PlayerValue {
  readonly session: AttemptSession;
  readonly test: DeliveredTest;
  readonly studentName: string;
  readonly needs: AccessNeeds;
  readonly layout: Layout;
  /** Not even the line at the top of a narrow screen has room for words. */
  readonly tight: boolean;
  /** The page's colours and size, as needs and tools have them. */
  readonly look: PageLook;
  /** Where a picture of the package is shown from. */
  readonly assetUrl: (path: string) => string;
  /** No real test: nothing is kept or handed in, and one leaves when one likes. Null in a real one. */
  readonly rehearsal: { readonly leave: () => void } | null;
  /** Whether this page can be loaded again without network. */
  readonly goesOnOffline: boolean;
  readonly announce: Announce;
  readonly dispatch: (action: BrowserAction) => void;
  /** Has the answer to a question checked now. False when it did not get through; nothing is lost. */
  readonly check: (ref: string, by: string | null) => Promise<boolean>;
}

const PlayerContext = createContext<PlayerValue | null>(null);
/** Gives a screen with questions what its parts share, and the colors it has. */
export function PlayerProvider({
  value,
  children,
}: {
  readonly value: PlayerValue;
  readonly children: ReactNode;
}) {
  const { scheme, own } = value.look;
  const palette = useMemo(() => paletteOfLook({ scheme, own }), [scheme, own]);
  return (
    <PlayerContext value={value}>
      <PaletteContext value={palette}>{children}</PaletteContext>
    </PlayerContext>
  );
}

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

/** What a tool or a part of the screen keeps in this attempt, and the way to change some of it. */
export function useKept<State extends Kept>(
  owner: string,
  state: KeptState<State>,
): [State, (change: Partial<State>) => void] {
  const { dispatch, needs } = usePlayer();
  const kept = useAttempt(({ tools }) => own(tools, owner));
  const read = useMemo(
    () => readKept(kept ? { [owner]: kept } : {}, owner, state, needs),
    [kept, needs, owner, state],
  );
  return [read, (change) => dispatch({ type: 'tool-kept', tool: owner, state: { ...change } })];
}

/** What a tool keeps for one question. */
export const useKeptAt = <State extends Kept>(
  owner: string,
  itemRef: string,
  state: KeptState<State>,
): [State, (change: Partial<State>) => void] => useKept(keptAt(owner, itemRef), state);
