'use client';

import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { useTranslations } from 'use-intl';
import { Speech, useSpeech } from '../kit/speech';
import { usePageLook } from '../kit/usePageLook';
import { Cover, MovedCover } from './Covers';
import { pageLookOf } from './rail/tools';
import { PlayerProvider, type PlayerValue } from '../attempt/PlayerContext';
import { PlayerScreen } from './PlayerScreen';
import type { AttemptSession } from '../attempt/session/session';
import { useSessionEvents } from '../attempt/session/useSessionEvents';
import { useTimeUp } from '../attempt/session/useTimeUp';
import { useAssets } from './useAssets';
import { useLayout } from './useLayout';
import { usePreload } from './usePreload';

interface Props {
  readonly attemptId: string;
  readonly session: AttemptSession;
  readonly onTakeBack: () => void;
}

/** An open attempt: what its parts share, and the covers over it when it is over or somewhere else. */
export function RunningAttempt({ attemptId, session, onTakeBack }: Props) {
  const t = useTranslations('covers');
  const status = useSyncExternalStore(session.subscribe, session.getStatus, session.getStatus);
  const test = useSyncExternalStore(session.subscribe, session.getTest, session.getTest);
  const read = session.getState;
  const tools = useSyncExternalStore(
    session.subscribe,
    () => read().tools,
    () => read().tools,
  );
  const phase = useSyncExternalStore(
    session.subscribe,
    () => read().phase,
    () => read().phase,
  );
  const { displayName: studentName, needs } = session.student;
  const look = useMemo(() => pageLookOf(tools, needs), [tools, needs]);
  usePageLook(look);
  useSessionEvents(session);
  const ready = usePreload(test, needs);
  const { layout, tight } = useLayout(look.magnification);
  const assetUrl = useAssets(attemptId, test.assets);
  const [speech] = useState(() => new Speech());
  const handedIn = useCallback(() => window.location.assign(`/attempts/${attemptId}/score`), [attemptId]);
  const timeUp = useTimeUp(session, handedIn);
  const isHandedIn = status.over || phase === 'handed-in';
  useEffect(() => {
    if (isHandedIn && !timeUp) handedIn();
  }, [handedIn, isHandedIn, timeUp]);

  const value = useMemo<PlayerValue>(
    () => ({
      session,
      test,
      studentName,
      needs,
      layout,
      tight,
      look,
      assetUrl,
      announce: speech.say,
      dispatch: (action) => session.dispatch(action),
      check: (ref, by) =>
        session.check(ref, by).then(
          () => true,
          () => false,
        ),
    }),
    [session, test, studentName, needs, layout, tight, look, assetUrl, speech],
  );
  if (isHandedIn && !timeUp) return <Cover title={t('overTitle')} text={t('overText')} />;
  if (timeUp)
    return <Cover title={t('timeTitle')} text={t(timeUp === 'waiting' ? 'timeWaiting' : 'timeText')} />;
  if (status.moved) return <MovedCover onTakeBack={onTakeBack} />;
  return (
    <PlayerProvider value={value}>
      <PlayerScreen onHandedIn={handedIn} ready={ready} />
      <Spoken speech={speech} />
    </PlayerProvider>
  );
}

/** Where everything that is said aloud stands for a screen reader, and nowhere else. */
function Spoken({ speech }: { readonly speech: Speech }) {
  return (
    <div
      className="visually-hidden"
      role="log"
      aria-live="polite"
      aria-relevant="additions"
      data-announcer=""
    >
      {useSpeech(speech).map(({ id, words }) => (
        <p key={id}>{words}</p>
      ))}
    </div>
  );
}
