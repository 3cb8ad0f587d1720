import { useCallback, useLayoutEffect, useRef } from 'react';

/** A function that stays the same through every drawing and always calls the newest: for children drawn only when needed. */
export function useHandler<Given extends unknown[]>(
  newest: (...given: Given) => void,
): (...given: Given) => void {
  const ref = useRef(newest);
  useLayoutEffect(() => {
    ref.current = newest;
  });
  return useCallback((...given: Given) => ref.current(...given), []);
}
