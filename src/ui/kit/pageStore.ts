'use client';

import { useSyncExternalStore } from 'react';

/** One value for the whole page, which parts that know nothing of one another follow. It is gone with the page. */
export interface PageStore<Value> {
  readonly get: () => Value;
  readonly set: (value: Value) => void;
  /** Calls whenever the value changes, until what it gives is called. */
  readonly follow: (listener: () => void) => () => void;
  /** The value, followed by a component; the initial one where there is no page yet. */
  readonly use: () => Value;
}

export function pageStore<Value>(initial: Value): PageStore<Value> {
  let now = initial;
  const listeners = new Set<() => void>();
  const get = () => now;
  const subscribe = (listener: () => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  };
  return {
    get,
    follow: subscribe,
    set: (value) => {
      if (value === now) return;
      now = value;
      for (const listener of listeners) listener();
    },
    use: () => useSyncExternalStore(subscribe, get, () => initial),
  };
}
