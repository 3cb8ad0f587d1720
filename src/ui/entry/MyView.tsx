'use client';

import { Alert, Button } from 'antd';
import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { useTranslations } from 'use-intl';
import type { AttemptState } from '@/core/attempt/state';
import type { DeliveredTest } from '@/core/item/delivered';
import type { AccessNeeds, ChosenView, NeedsLook } from '@/core/needs';
import { own } from '@/core/own';
import { PlayerProvider } from '../attempt/PlayerContext';
import type { AttemptSession } from '../attempt/session/session';
import { useHandler } from '../kit/useHandler';
import { Words } from '../kit/Words';
import { pageLookOf } from '../player/rail/tools';
import { Sample } from '../player/sample/Sample';
import { sampleSession } from '../player/sample/sampleSession';
import { SettingsList } from '../player/sample/SettingsList';
import { Spoken } from '../player/Spoken';
import { usePlayerValue } from '../player/usePlayerValue';
import { TOOLS } from '../tools';
import styles from './entry.module.css';
import { Page } from './Page';
import { post, type Answer } from '../kit/post';
import { SetForYou } from './SetForYou';

interface Props {
  readonly name: string;
  /** What tests begin with now: what is set, and what was chosen here before. */
  readonly needs: AccessNeeds;
  /** What a teacher has set. */
  readonly set: AccessNeeds;
  readonly sample: DeliveredTest;
}

/** Everything about how a test looks and sounds, set before it begins and tried on a sample (work.md, A7). */
export function MyView(props: Props) {
  return (
    <Words>
      <Setting {...props} />
    </Words>
  );
}

/** The sample has no files. */
const asIs = (path: string) => path;

function Setting({ name, needs, set, sample }: Props) {
  const t = useTranslations('myView');
  const [session] = useState(() => sampleSession(sample, needs, name));
  useEffect(() => () => session.close(), [session]);
  const { value, speech } = usePlayerValue(session, asIs);
  const refusals = useTranslations('refusals');
  const { keeping, problem, reset } = useChosen(session, needs, set);
  return (
    <Page name={name} needs={value.look} wide>
      <PlayerProvider value={value}>
        <h1>{t('title')}</h1>
        <p>{t('text')}</p>
        <SetForYou needs={set} label={t('setForYou')} />
        {problem !== null && (
          <Alert
            type="warning"
            showIcon
            title={problem === 'network' ? t('notKept') : refusals(problem as 'network', { minutes: 1 })}
            className={styles.alert}
          />
        )}
        <div className={styles.myView}>
          <div className={styles.settings}>
            <SettingsList />
          </div>
          <section className={styles.tried} aria-labelledby="try">
            <h2 id="try">{t('try')}</h2>
            <p role="status" className={styles.soft} data-keeping={keeping}>
              {t(`keeping.${keeping}`)}
            </p>
            <Sample />
          </section>
        </div>
        <div className={styles.startRow}>
          <Button size="large" onClick={reset}>
            {t('reset')}
          </Button>
          <Button type="primary" size="large" href="/tests">
            {t('done')}
          </Button>
        </div>
      </PlayerProvider>
      <Spoken speech={speech} />
    </Page>
  );
}

/** What differs from what a teacher has set. */
function chosenIn(tools: AttemptState['tools'], needs: AccessNeeds, set: AccessNeeds): ChosenView {
  const look: NeedsLook = pageLookOf(tools, needs);
  const was = pageLookOf({}, set);
  const differs = (name: keyof NeedsLook) => JSON.stringify(look[name]) !== JSON.stringify(was[name]);
  const names = (['scheme', 'own', 'inverted', 'magnification', 'text'] as const).filter(differs);
  return {
    look: Object.fromEntries(names.map((one) => [one, look[one]])),
    tools: Object.fromEntries(
      // How the page looks stands above; the rest is what each tool keeps.
      TOOLS.filter((tool) => tool.inMyView && !tool.pageLook).flatMap(({ id }) => {
        const kept = { ...own(needs.chosen, id), ...own(tools, id) };
        return Object.keys(kept).length > 0 ? [[id, kept] as const] : [];
      }),
    ),
  };
}

/** A change rests this long before it is kept, and one that could not be kept is tried again after this long. */
const REST_MS = 500;
const AGAIN_MS = 4_000;

/** Keeps what is chosen, by itself; `problem`: why it could not be kept, a code of the server or `network`. */
function useChosen(session: AttemptSession, needs: AccessNeeds, set: AccessNeeds) {
  const tools = useSyncExternalStore(
    session.subscribe,
    () => session.getState().tools,
    () => session.getState().tools,
  );
  const chosen = useMemo(() => JSON.stringify(chosenIn(tools, needs, set)), [needs, set, tools]);
  /** What the server has, or is about to go back to. */
  const settled = useRef(chosen);
  const [keeping, setKeeping] = useState<'as-set' | 'keeping' | 'kept' | 'failed'>(
    chosen === NOTHING_CHOSEN ? 'as-set' : 'kept',
  );
  const [problem, setProblem] = useState<string | null>(null);
  const settle = useHandler((answer: Answer<unknown>) => {
    setProblem(answer.ok ? null : answer.code);
    setKeeping(answer.ok ? 'kept' : 'failed');
  });
  useEffect(() => {
    if (chosen === settled.current) return undefined;
    let timer: ReturnType<typeof setTimeout>;
    const send = (leaving: boolean) =>
      post('/api/my-view', { view: JSON.parse(chosen) as ChosenView }, leaving);
    const keep = async () => {
      if (chosen === settled.current) return;
      setKeeping('keeping');
      const answer = await send(false);
      settle(answer);
      if (answer.ok) settled.current = chosen;
      else timer = setTimeout(() => void keep(), AGAIN_MS);
    };
    timer = setTimeout(() => void keep(), REST_MS);
    // Whoever goes on at once has it kept too.
    const leaving = () => {
      if (chosen !== settled.current) void send(true);
    };
    window.addEventListener('pagehide', leaving);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('pagehide', leaving);
    };
  }, [chosen, settle]);
  const reset = () => {
    // Nothing of what was chosen is sent after this, not even by the page that goes.
    settled.current = chosen;
    void post('/api/my-view', { view: null }).then((answer) =>
      answer.ok ? window.location.reload() : settle(answer),
    );
  };
  return { keeping, problem, reset };
}
const NOTHING_CHOSEN = JSON.stringify({ look: {}, tools: {} });
