'use client';

import { Button, Modal } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Content } from '@/core/content/content';
import type { DeliveredTest } from '@/core/item/delivered';
import type { AccessNeeds } from '@/core/needs';
import { useIsGuest, useShownName } from '../kit/guest';
import { useFocusBack } from '../kit/useFocusBack';
import { useHydrated } from '../kit/useHydrated';
import { ContentTitle, ContentView } from '../content/ContentView';
import { SoundCheck } from '../tools/read-aloud/SoundCheck';
import { Documents, type FrameProps } from '../player/documents/Documents';
import styles from './entry.module.css';
import { Startable, type TestRow } from './MyTests';
import { Page } from './Page';
import { Fact, SetForYou, useNamedTools } from './SetForYou';
import { useAsk } from './useAsk';
import { roundPoints } from './usePointsWords';

interface Props {
  readonly name: string;
  readonly signInName: string;
  readonly needs: AccessNeeds;
  readonly assigned: TestRow;
  /** Whether something of the test sounds. */
  readonly sounds: boolean;
  readonly directions: {
    readonly content: Content;
    /** Pages that links in them lead to. */
    readonly documents: DeliveredTest['stimuli'];
  };
}

/** One page before the clock: this is you, this is your test, what it asks. Only the one button starts it. */
export function BeforeYouStart(props: Props) {
  return (
    <Page name={props.name} needs={props.needs}>
      <Before {...props} />
    </Page>
  );
}

/** The parts, where a test has them: how long each is, and whether there is a way back in it. */
function Parts({
  parts,
  timeMultiplier,
}: {
  readonly parts: TestRow['parts'];
  readonly timeMultiplier: number;
}) {
  const t = useTranslations('before');
  const tests = useTranslations('tests');
  if (parts.length === 0) return null;
  return (
    <section className={styles.parts} aria-labelledby="parts">
      <h2 id="parts">{t('parts')}</h2>
      <p>{t('partsText')}</p>
      <ol>
        {parts.map(({ title, questions, timeLimit, forwardOnly }, i) => (
          <li key={i}>
            {title !== '' && <b>{title}: </b>}
            {[
              tests('questions', { count: questions }),
              ...(timeLimit === null
                ? []
                : [tests('minutes', { count: Math.round((timeLimit * timeMultiplier) / 60) })]),
              ...(forwardOnly ? [t('forwardOnly')] : []),
            ].join(' · ')}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** How the test is taken, where it is not as one would expect: told before it begins. */
function HowGiven({
  given: { practice, onePage, ownsScreen, lockAfter, times, fetchFirst },
  needed,
  past,
}: Pick<TestRow, 'given' | 'needed' | 'past'>) {
  const t = useTranslations('before.given');
  const guest = useIsGuest();
  const lines = [
    ...(practice && !guest ? [t('practice')] : []),
    ...(onePage ? [t('onePage')] : []),
    ...(ownsScreen ? [t('ownsScreen')] : []),
    ...(fetchFirst ? [t('fetchFirst')] : []),
    ...(needed === null ? [] : [t('needed', { points: roundPoints(needed) })]),
    ...(times > 1 ? [t('times', { number: Math.min(times, past.length + 1), times })] : []),
    ...(lockAfter === null ? [] : [t('lockAfter', { minutes: lockAfter })]),
  ];
  return (
    lines.length > 0 && (
      <p>
        <b>{t('name')}</b> {lines.join(' ')}
      </p>
    )
  );
}

/** Where something is to be heard, that it can be is tried before it counts. */
function Sound({ sounds, needs }: Pick<Props, 'sounds' | 'needs'>) {
  const t = useTranslations('before.sound');
  const read = [...needs.toolsOn, ...needs.toolsGiven].includes('read-aloud');
  if (!sounds && !read) return null;
  return (
    <section className={styles.parts} aria-labelledby="sound">
      <h2 id="sound">{t('title')}</h2>
      <p>{t(sounds ? 'sounds' : 'read')}</p>
      <SoundCheck />
    </section>
  );
}

/** Asked again after so long by whoever waits to be let in, in milliseconds. */
const ASK_AGAIN_MS = 3_000;

type Door = Pick<TestRow, 'waits' | 'window'>;
const isShut = ({ waits, window }: Door): boolean => waits || window !== 'open';

/** Whether whoever supervises has still to let the student in, and whether it is the time for it; both arrive by themselves. */
function useDoor({ assignmentId, ...first }: TestRow, begun: boolean): Door {
  const router = useRouter();
  const [door, setDoor] = useState<Door>(begun ? { waits: first.waits, window: 'open' } : first);
  const shut = isShut(door);
  useEffect(() => {
    if (!shut) return undefined;
    const ask = () =>
      fetch(`/api/assignments/${assignmentId}/standing`)
        .then(async (response) => {
          const answer = (await response.json()) as Door;
          if (!response.ok) return;
          setDoor(answer);
          if (isShut(answer)) return;
          // What is set for the student is shown to nobody before.
          router.refresh();
        })
        // Without network it is asked again.
        .catch(() => undefined);
    const timer = setInterval(() => void ask(), ASK_AGAIN_MS);
    return () => clearInterval(timer);
  }, [assignmentId, router, shut]);
  return door;
}

/** Where the server shows a file of the directions. */
const directionsAsset = (assignmentId: number, path: string): string =>
  `/api/assignments/${assignmentId}/assets/${path.split('/').map(encodeURIComponent).join('/')}`;

/** A document that the directions lead to. */
function DocumentModal({ title, onClose, children }: FrameProps) {
  useFocusBack();
  return (
    <Modal open title={title} onCancel={onClose} footer={null} width="min(46rem, 100vw - 1rem)">
      {children}
    </Modal>
  );
}

function Before({ name, signInName, needs, assigned, sounds, directions }: Props) {
  const t = useTranslations('before');
  const tests = useTranslations('tests');
  const hydrated = useHydrated();
  const { working, problem, ask } = useAsk();
  const minutes =
    assigned.timeLimit === null ? null : Math.round((assigned.timeLimit * needs.timeMultiplier) / 60);
  const off = useNamedTools()(assigned.given.toolsOff);
  const guest = useIsGuest();
  const shown = useShownName(name);
  const begun = assigned.state !== 'not-started' && !assigned.again;
  const door = useDoor(assigned, begun);
  const assetUrl = (path: string) => directionsAsset(assigned.assignmentId, path);
  const [waited] = useState(assigned.waits);
  const start = async () => {
    const begun = await ask<{ attemptId: string }>(`/api/assignments/${assigned.assignmentId}/begin`, {});
    if (begun) window.location.assign(`/attempts/${begun.attemptId}`);
  };
  const ofParts = assigned.parts.some(({ timeLimit }) => timeLimit !== null);
  const untimed = minutes === null && !ofParts;
  const fetches = !begun && assigned.given.fetchFirst;
  const startWords = begun ? t('goOn') : fetches ? t('fetch') : untimed ? t('startUntimed') : t('start');
  return (
    <>
      <h1>{t('title')}</h1>
      <div className={styles.facts}>
        <Fact name={t('you')} value={shown} note={guest ? undefined : signInName} />
        <Fact
          name={t('test')}
          value={<ContentTitle language={assigned.language}>{assigned.title}</ContentTitle>}
        />
        <Fact name={t('questions')} value={tests('questions', { count: assigned.questions })} />
        <Fact
          name={t('time')}
          value={
            minutes === null
              ? ofParts
                ? t('timeOfParts')
                : tests('untimed')
              : needs.timeMultiplier > 1
                ? t('extraTime', { minutes })
                : tests('minutes', { count: minutes })
          }
        />
        <Fact
          name={t('tools')}
          value={off.length === 0 ? t('toolList') : t('toolsBut', { tools: off.join(', ') })}
        />
        <SetForYou needs={needs} />
        {!begun && (
          <div className={styles.fact}>
            <span className={styles.soft}>{t('warmUpText')}</span>
            <Button href={`/tests/${assigned.assignmentId}/warm-up`} className={styles.factWay}>
              {t('warmUp')}
            </Button>
          </div>
        )}
      </div>
      <Parts parts={assigned.parts} timeMultiplier={needs.timeMultiplier} />
      <HowGiven {...assigned} />
      <p>{t('notYou')}</p>
      <Sound sounds={sounds} needs={needs} />
      <section className={styles.directions} aria-labelledby="directions">
        <h2 id="directions">{t('directions')}</h2>
        <Documents documents={directions.documents} assetUrl={assetUrl} Frame={DocumentModal}>
          <ContentView content={directions.content} slots={{ assetUrl }} />
        </Documents>
      </section>
      {problem}
      <div className={styles.startRow}>
        <div role="status">
          <Startable {...assigned} window={door.window} />
          <p>
            {door.waits
              ? t('waits')
              : isShut(door)
                ? null
                : waited
                  ? t('letIn')
                  : begun
                    ? null
                    : untimed || fetches
                      ? t('noClock')
                      : t('clock')}
          </p>
        </div>
        <Button
          type="primary"
          size="large"
          className={styles.start}
          onClick={() => void start()}
          disabled={working || !hydrated || isShut(door)}
        >
          {working ? t('working') : startWords}
        </Button>
        <Button type="link" size="large" href="/tests">
          {t('backToTests')}
        </Button>
      </div>
    </>
  );
}
