'use client';

import { useCallback, useEffect, useState } from 'react';
import { useTranslations } from 'use-intl';
import { Words } from '../kit/Words';
import { GettingReady } from './ahead/GettingReady';
import { Cover, OpeningCover } from './Covers';
import { RunningAttempt } from './RunningAttempt';
import { httpTransport, ServerRefusal } from '../attempt/session/transport';
import { useSession, type OpenedAhead } from '../attempt/session/useSession';

/** The whole of an attempt in the browser: opens it, and shows it until it is over. */
export function Player({ attemptId }: { attemptId: string }) {
  return (
    <Words>
      <Opening key={attemptId} attemptId={attemptId} />
    </Words>
  );
}

/** Until the attempt is open: that it is being opened, or why it cannot be and what to do. */
function Opening({ attemptId }: { attemptId: string }) {
  const t = useTranslations('covers');
  const { session, problem, again: open } = useSession(attemptId);
  const [pressed, setPressed] = useState(false);
  const again = useCallback(
    (ahead: OpenedAhead | null = null) => {
      setPressed(true);
      open(ahead);
    },
    [open],
  );
  if (problem === 'not-signed-in')
    return (
      <Cover
        title={t('signedOutTitle')}
        text={t('signedOutText')}
        action={{ words: t('signIn'), act: () => window.location.assign('/sign-in') }}
      />
    );
  if (problem === 'handed-in') return <Cover title={t('overTitle')} text={t('overText')} />;
  if (problem === 'open-elsewhere')
    return (
      <Cover
        title={t('elsewhereTitle')}
        text={t('elsewhereText')}
        action={{ words: t('again'), act: () => again() }}
      />
    );
  if (problem === 'not-begun') return <GettingReady attemptId={attemptId} onStarted={again} />;
  // Nobody presses anything there.
  if (problem === 'stopped') return <HeldOutside attemptId={attemptId} again={open} />;
  if (problem !== null)
    return (
      <Cover
        title={t('problemTitle')}
        text={t('problemText')}
        action={{ words: t('again'), act: () => again() }}
      />
    );
  if (!session) {
    const words = { title: t('loadingTitle'), text: t('loadingText') };
    return pressed ? <OpeningCover {...words} /> : <Cover {...words} />;
  }
  return <RunningAttempt attemptId={attemptId} session={session} onTakeBack={() => again()} />;
}

/** Asked again after so long whether it goes on, in milliseconds. */
const ASK_AGAIN_MS = 3_000;

/** Whoever supervises has paused the test, and it is opened meanwhile: it goes on by itself. */
function HeldOutside({ attemptId, again }: { attemptId: string; again: () => void }) {
  const t = useTranslations('covers');
  useEffect(() => {
    const transport = httpTransport(attemptId);
    const timer = setInterval(
      () =>
        void transport.content().then(
          () => again(),
          (error: unknown) => {
            // Without network it is asked again; what else there is to say, opening it says.
            if (error instanceof ServerRefusal && error.code !== 'stopped') again();
          },
        ),
      ASK_AGAIN_MS,
    );
    return () => clearInterval(timer);
  }, [attemptId, again]);
  return <Cover title={t('heldTitle')} text={t('heldUntimed')} />;
}
