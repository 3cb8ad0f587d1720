'use client';

import { useEffect, useState } from 'react';
import { useTranslations } from 'use-intl';
import { startedReply } from '@/core/wire/replies';
import { keepFiles, rememberLoaded, startWorker } from '../../attempt/offline/files';
import type { OpenedAhead } from '../../attempt/session/useSession';
import { post } from '../../kit/post';
import { Button } from '../../kit/Button';
import { preloadFaces } from '../../content/contentFonts';
import { preloadAllViews } from '../../interactions';
import { preloadDialogs } from '../dialogs/Dialog';
import styles from '../player.module.css';
import { canUnseal, fetchSealed, keepAssets, unseal } from './sealed';

/** Tried again after so long when the network does not answer, in milliseconds. */
const AGAIN_MS = 3_000;

/** How far a test is that is fetched before its clock starts. */
type Fetching =
  | { readonly state: 'fetching'; readonly share: number }
  | { readonly state: 'waiting' }
  /** `bytes` is null where this browser cannot hold it sealed: it is fetched as one goes. */
  | { readonly state: 'ready'; readonly bytes: Uint8Array<ArrayBuffer> | null; readonly offline: boolean };

function useFetching(attemptId: string): Fetching {
  const [fetching, setFetching] = useState<Fetching>({ state: 'fetching', share: 0 });
  const [tries, setTries] = useState(0);
  useEffect(() => {
    const gone = new AbortController();
    let timer: ReturnType<typeof setTimeout> | undefined;
    const work = async () => {
      // What the page is made of, with the code of every kind of question: nobody knows yet which there will be.
      await startWorker().catch(() => undefined);
      await Promise.all([preloadDialogs(), preloadAllViews(), preloadFaces()]);
      const offline = await keepFiles(attemptId, []);
      if (!canUnseal()) return { bytes: null, offline };
      const onShare = (share: number) => !gone.signal.aborted && setFetching({ state: 'fetching', share });
      return { bytes: await fetchSealed(attemptId, onShare, gone.signal), offline };
    };
    rememberLoaded();
    work().then(
      (done) => !gone.signal.aborted && setFetching({ state: 'ready', ...done }),
      () => {
        if (gone.signal.aborted) return;
        setFetching({ state: 'waiting' });
        timer = setTimeout(() => setTries((count) => count + 1), AGAIN_MS);
      },
    );
    return () => {
      gone.abort();
      clearTimeout(timer);
    };
  }, [attemptId, tries]);
  return fetching;
}

interface Props {
  readonly attemptId: string;
  /** The clock runs, and the test is here; null where it has still to be fetched. */
  readonly onStarted: (opened: OpenedAhead | null) => void;
}

/** A test that is fetched whole before its clock starts: how far it is, and the button that starts both. */
export function GettingReady({ attemptId, onStarted }: Props) {
  const t = useTranslations('ahead');
  const refusals = useTranslations('refusals');
  const fetching = useFetching(attemptId);
  const [starting, setStarting] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const ready = fetching.state === 'ready' ? fetching : null;
  const start = async () => {
    if (!ready || starting) return;
    setStarting(true);
    setProblem(null);
    const answer = await post<unknown>(`/api/attempts/${encodeURIComponent(attemptId)}/start`, {});
    if (!answer.ok) {
      // Started by an earlier press whose answer was lost: it is open to be gone on with.
      if (answer.code === 'begun') onStarted(null);
      else {
        setStarting(false);
        setProblem(answer.code);
      }
      return;
    }
    try {
      const { key, ...resumed } = startedReply.parse(answer.data);
      if (ready.bytes === null) return onStarted(null);
      const { content, assets } = await unseal(ready.bytes, key);
      await keepAssets(attemptId, assets);
      onStarted({ resumed, content });
    } catch {
      // What cannot be opened here is fetched from the server as ever.
      onStarted(null);
    }
  };
  const words =
    fetching.state === 'fetching'
      ? t('fetching', { percent: Math.round(fetching.share * 100) })
      : fetching.state === 'waiting'
        ? t('waiting')
        : ready?.bytes && ready.offline
          ? t('ready')
          : ready?.bytes
            ? t('readyHere')
            : t('cannot');
  return (
    <main className={styles.cover}>
      <div className={styles.card}>
        <h1>{t('title')}</h1>
        <p>{t('text')}</p>
        <progress
          className={styles.share}
          aria-label={t('share')}
          max={1}
          value={ready ? 1 : fetching.state === 'fetching' ? fetching.share : 0}
        />
        {/* Said when it changes, not at every percent. */}
        {fetching.state === 'fetching' && <p>{words}</p>}
        <p role="status">{fetching.state === 'fetching' ? '' : words}</p>
        {problem !== null && <p role="alert">{refusals(problem as 'network', { seconds: 10 })}</p>}
        <Button look="main" disabled={!ready || starting} onClick={() => void start()}>
          {t('start')}
        </Button>
      </div>
    </main>
  );
}
