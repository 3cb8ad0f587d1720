'use client';

import { useCallback, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { useTranslations } from 'use-intl';
import { interactionsOf } from '@/core/content/content';
import type { DeliveredTest } from '@/core/item/delivered';
import { isOver } from '@/core/attempt/timing';
import { isSchemeId } from '@/core/view/schemes';
import { preloadViews } from '../interactions';
import { usePageLook } from '../kit/usePageLook';
import { Words } from '../kit/Words';
import { Cover, MovedCover } from './Covers';
import { preloadDialogs } from './dialogs/Dialog';
import { PlayerProvider, type PlayerValue } from './PlayerContext';
import { PlayerScreen } from './PlayerScreen';
import { ServerClock } from './session/clock';
import { openJournal } from './session/journal';
import { openSession, type AttemptSession } from './session/session';
import { httpTransport, ServerRefusal, type Content } from './session/transport';
import { useAssets } from './useAssets';
import { useLayout } from './useLayout';

/** The whole of an attempt in the browser: loads it, resumes it, and shows it until it is over. */
export function Player({ attemptId }: { attemptId: string }) {
  return (
    <Words>
      <Loader attemptId={attemptId} />
    </Words>
  );
}

type Loaded = { readonly content: Content; readonly session: AttemptSession };

/** Loads what the attempt needs and opens it in this page. */
function useLoaded(attemptId: string): { loaded: Loaded | null; problem: string | null; again: () => void } {
  const [loaded, setLoaded] = useState<Loaded | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let gone = false;
    let session: AttemptSession | null = null;
    const transport = httpTransport(attemptId);
    const load = async () => {
      const content = await transport.content();
      session = await openSession(
        crypto.randomUUID(),
        openJournal(attemptId),
        transport,
        (serverNow) => new ServerClock(serverNow, () => performance.now()),
      );
      if (gone) session.close();
      else setLoaded({ content, session });
    };
    load().catch((error: unknown) => {
      if (!gone) setProblem(error instanceof ServerRefusal ? error.code : 'network');
    });
    return () => {
      gone = true;
      session?.close();
    };
  }, [attemptId, tries]);
  const again = useCallback(() => {
    setProblem(null);
    setLoaded(null);
    setTries((count) => count + 1);
  }, []);
  return { loaded, problem, again };
}

function Loader({ attemptId }: { attemptId: string }) {
  const t = useTranslations('covers');
  const { loaded, problem, again } = useLoaded(attemptId);
  if (problem === 'not-signed-in') {
    return (
      <Cover
        title={t('signedOutTitle')}
        text={t('signedOutText')}
        action={{ words: t('signIn'), act: () => window.location.assign('/sign-in') }}
      />
    );
  }
  if (problem !== null)
    return (
      <Cover title={t('problemTitle')} text={t('problemText')} action={{ words: t('again'), act: again }} />
    );
  if (!loaded) return <Cover title={t('loadingTitle')} text={t('loadingText')} />;
  return <Running key={attemptId} attemptId={attemptId} {...loaded} onTakeBack={again} />;
}

interface RunningProps extends Loaded {
  readonly attemptId: string;
  readonly onTakeBack: () => void;
}

function Running({ attemptId, content, session, onTakeBack }: RunningProps) {
  const { student } = content;
  const [test, setTest] = useState(content.test);
  const t = useTranslations('covers');
  const status = useSyncExternalStore(session.subscribe, session.getStatus, session.getStatus);
  const tools = useSyncExternalStore(
    session.subscribe,
    () => session.getState().tools,
    () => session.getState().tools,
  );
  const phase = useSyncExternalStore(
    session.subscribe,
    () => session.getState().phase,
    () => session.getState().phase,
  );
  const [spoken, setSpoken] = useState('');
  const scheme = isSchemeId(tools.colours?.scheme) ? tools.colours.scheme : student.needs.scheme;
  const magnification =
    typeof tools.magnifier?.factor === 'number' ? tools.magnifier.factor : student.needs.magnification;
  usePageLook(scheme, magnification);
  useSessionEvents(session);
  const ready = usePreload(content.test);
  const layout = useLayout(magnification);
  const assetUrl = useAssets(attemptId, content.test.assets);
  const handedIn = useCallback(() => window.location.assign(`/attempts/${attemptId}/score`), [attemptId]);
  const timeUp = useTimeUp(session, handedIn);
  const isHandedIn = status.over || phase === 'handed-in';
  useEffect(() => {
    if (isHandedIn && !timeUp) handedIn();
  }, [handedIn, isHandedIn, timeUp]);

  const announce = useCallback((words: string) => {
    setSpoken('');
    setTimeout(() => setSpoken(words), 30);
  }, []);
  const value = useMemo<PlayerValue>(
    () => ({
      session,
      test,
      studentName: student.displayName,
      needs: student.needs,
      layout,
      assetUrl,
      announce,
      dispatch: (action) => session.dispatch(action),
      check: async (ref, by) => {
        try {
          const item = await session.check(ref, by);
          setTest((before) => ({ ...before, items: { ...before.items, [ref]: item } }));
          return true;
        } catch {
          return false;
        }
      },
    }),
    [session, test, student, layout, assetUrl, announce],
  );
  if (isHandedIn && !timeUp) return <Cover title={t('overTitle')} text={t('overText')} />;
  if (timeUp)
    return <Cover title={t('timeTitle')} text={t(timeUp === 'waiting' ? 'timeWaiting' : 'timeText')} />;
  if (status.moved) return <MovedCover onTakeBack={onTakeBack} />;
  return (
    <PlayerProvider value={value}>
      <PlayerScreen onHandedIn={handedIn} ready={ready} />
      <div className="visually-hidden" role="status" aria-live="polite" data-announcer="">
        {spoken}
      </div>
    </PlayerProvider>
  );
}

/** The page going away, the network coming back. */
function useSessionEvents(session: AttemptSession): void {
  useEffect(() => {
    const leave = () => session.leave();
    const hidden = () => {
      if (document.visibilityState === 'hidden') session.leave();
    };
    window.addEventListener('pagehide', leave);
    window.addEventListener('online', session.wake);
    document.addEventListener('visibilitychange', hidden);
    return () => {
      window.removeEventListener('pagehide', leave);
      window.removeEventListener('online', session.wake);
      document.removeEventListener('visibilitychange', hidden);
    };
  }, [session]);
}

/** Time the first question has to itself before the rest is fetched. */
const AFTER_THE_FIRST_MS = 500;

/** Code and fonts that are needed later are fetched now, so that nothing waits for the network, or fails without it. */
function usePreload(test: DeliveredTest): boolean {
  const [ready, setReady] = useState(false);
  useEffect(() => {
    const bodies = [...Object.values(test.items), ...Object.values(test.stimuli)].map(({ body }) => body);
    const models = bodies.flatMap((body) => interactionsOf(body));
    const editor = models.some((one) => one.type === 'equation');
    const maths = JSON.stringify(bodies).includes('"namespace":"math"');
    const families = [/Atkinson/, ...(maths ? [/Noto Sans Math/] : []), ...(editor ? [/KaTeX/] : [])];
    const load = async () => {
      await Promise.all([preloadDialogs(), preloadViews(models)]);
      const faces = [...document.fonts].filter((face) => families.some((family) => family.test(face.family)));
      await Promise.all(faces.map((face) => face.load()));
    };
    // The first question comes first; what later ones need follows as soon as it stands.
    const later = setTimeout(
      () =>
        void load().then(
          () => setReady(true),
          () => undefined,
        ),
      AFTER_THE_FIRST_MS,
    );
    return () => clearTimeout(later);
  }, [test]);
  return ready;
}

/** At zero the test closes by itself; without network it waits and tries again, and what was answered counts. */
function useTimeUp(session: AttemptSession, onHandedIn: () => void): 'closing' | 'waiting' | null {
  const [state, setState] = useState<'closing' | 'waiting' | null>(null);
  const busy = useRef(false);
  useEffect(() => {
    const timer = setInterval(() => {
      if (busy.current || !isOver(session.getState().timing, session.clock.now())) return;
      busy.current = true;
      setState((before) => before ?? 'closing');
      session
        .handIn('time')
        .then(onHandedIn)
        .catch(() => {
          busy.current = false;
          setState('waiting');
        });
    }, 1000);
    return () => clearInterval(timer);
  }, [session, onHandedIn]);
  return state;
}
