'use client';

import { useRef, useState } from 'react';
import type { Move } from '@/core/attempt/events';
import { openPartOf } from '@/core/item/delivered';
import { useHandler } from '../../kit/useHandler';
import { useKept, usePlayer } from '../../attempt/PlayerContext';
import { ServerRefusal, type WentOn } from '../../attempt/session/transport';
import { GoOnDialog, type Asked } from './GoOnDialog';
import { HeardDialog, type Heard } from './HeardDialog';
import { FORWARD } from './forward';
import { useInnerTime } from './useInnerTime';

/**
 * Going on where there is no way back: it is asked before the step that cannot be undone, done by the server, and what came of it is
 * said. Without network nothing is done, and it says so.
 * @param onGo a question of the open part is wished for instead
 * @param onWent it stands somewhere else now
 */
export function useGoingOn({ onGo, onWent }: { onGo: (ref: string) => void; onWent: () => void }) {
  const { session, test } = usePlayer();
  const [{ told }, keep] = useKept('forward', FORWARD);
  const [asked, setAsked] = useState<Asked | null>(null);
  const [heard, setHeard] = useState<Heard | null>(null);
  const hear = ({ feedback, moved }: Pick<WentOn, 'feedback' | 'moved'>) => {
    onWent();
    if (moved || feedback.length > 0) setHeard({ timeOver: moved, feedback });
  };
  // Pressed twice it is done once: the question after must not be passed unseen.
  const busy = useRef(false);
  const carryOut = useHandler((move: Move) => {
    if (busy.current) return;
    busy.current = true;
    setAsked((before) => before && { ...before, state: 'working' });
    session
      .goOn(move)
      .then(
        (went) => {
          setAsked(null);
          hear(went);
        },
        (error: unknown) =>
          setAsked({ move, state: error instanceof ServerRefusal ? error.code : 'network' }),
      )
      .finally(() => {
        busy.current = false;
      });
  });
  const waiting = useInnerTime(session, test, hear);
  /** In a part without a way back: the first time it is told, later only where the answer is not finished. */
  const next = (isFinished: boolean) => {
    const part = openPartOf(test);
    if (!part || asked !== null || busy.current) return;
    if (isFinished && told.includes(part.identifier)) carryOut('next');
    else setAsked({ move: 'next', state: 'asking' });
  };
  const dialogs = (
    <>
      <GoOnDialog
        asked={asked}
        onClose={() => setAsked(null)}
        onGo={(ref) => {
          setAsked(null);
          onGo(ref);
        }}
        onYes={(move) => {
          const part = openPartOf(test);
          if (part && move === 'next' && !told.includes(part.identifier))
            keep({ told: [...told, part.identifier] });
          carryOut(move);
        }}
      />
      <HeardDialog heard={heard} waiting={waiting} onClose={() => setHeard(null)} />
    </>
  );
  return { next, endPart: () => setAsked({ move: 'end-part', state: 'asking' }), dialogs };
}
