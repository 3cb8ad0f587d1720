'use client';

import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react';
import { useTranslations } from 'use-intl';
import { Cover, MovedCover } from './Covers';
import { WrittenIn } from '../content/ContentView';
import { useOffline } from '../attempt/offline/useOffline';
import { PlayerDocuments } from './documents/PlayerDocuments';
import { PlayerProvider } from '../attempt/PlayerContext';
import { PlayerScreen } from './PlayerScreen';
import type { AttemptSession } from '../attempt/session/session';
import { useSessionEvents } from '../attempt/session/useSessionEvents';
import { useTimeUp } from '../attempt/session/useTimeUp';
import { assetAddress, useAssets } from './useAssets';
import { usePlayerValue } from './usePlayerValue';
import { Spoken } from './Spoken';
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
  const phase = useSyncExternalStore(
    session.subscribe,
    () => session.getState().phase,
    () => session.getState().phase,
  );
  const assetUrl = useAssets(attemptId, test.assets);
  const fetched = usePreload(test, session.student.needs);
  const pictures = useMemo(
    () => test.assets.map((path) => assetAddress(attemptId, path)),
    [attemptId, test.assets],
  );
  const isHandedIn = status.over || phase === 'handed-in';
  const goesOnOffline = useOffline(attemptId, pictures, fetched !== 'nothing', isHandedIn) && status.placed;
  const { value, speech } = usePlayerValue(session, assetUrl, { goesOnOffline });
  useSessionEvents(session);
  const handedIn = useCallback(() => window.location.assign(`/attempts/${attemptId}/score`), [attemptId]);
  const timeUp = useTimeUp(session, handedIn);
  useEffect(() => {
    if (isHandedIn && !timeUp) handedIn();
  }, [handedIn, isHandedIn, timeUp]);

  if (isHandedIn && !timeUp) return <Cover title={t('overTitle')} text={t('overText')} />;
  if (timeUp)
    return <Cover title={t('timeTitle')} text={t(timeUp === 'waiting' ? 'timeWaiting' : 'timeText')} />;
  if (status.moved) return <MovedCover onTakeBack={onTakeBack} />;
  return (
    <PlayerProvider value={value}>
      <WrittenIn language={test.language}>
        <PlayerDocuments>
          <PlayerScreen onHandedIn={handedIn} fetched={fetched} />
        </PlayerDocuments>
      </WrittenIn>
      <Spoken speech={speech} />
    </PlayerProvider>
  );
}
