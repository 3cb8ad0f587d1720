'use client';

import { useEffect, useRef, useState } from 'react';
import { hasEnded } from '@/core/attempt/clocks';
import type { DeliveredTest } from '@/core/item/delivered';
import { useHandler } from '../../kit/useHandler';
import type { AttemptSession } from '../../attempt/session/session';
import type { WentOn } from '../../attempt/session/transport';

/**
 * At the end of a clock inside the test something closes by itself: the server says what, as soon as it can be asked. Until then nothing
 * of it can be worked on. `true`: the network does not answer.
 */
export function useInnerTime(
  session: AttemptSession,
  test: DeliveredTest,
  onEnded: (went: Pick<WentOn, 'feedback' | 'moved'>) => void,
): 'asking' | 'waiting' | null {
  const [state, setState] = useState<'asking' | 'waiting' | null>(null);
  const busy = useRef(false);
  const ended = useHandler(onEnded);
  useEffect(() => {
    const timer = setInterval(() => {
      if (busy.current || !hasEnded(test, session.getState(), session.clock.now())) return;
      busy.current = true;
      setState((before) => before ?? 'asking');
      session
        .goOn('time')
        .then(
          (went) => {
            setState(null);
            if (went.moved) ended(went);
          },
          () => setState('waiting'),
        )
        .finally(() => {
          busy.current = false;
        });
    }, 500);
    return () => clearInterval(timer);
  }, [ended, session, test]);
  return state;
}
