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
import { Words } from '../kit/Words';
import { pageLookOf } from '../player/rail/tools';
import { Sample } from '../player/sample/Sample';
import { sampleSession } from '../player/sample/sampleSession';
import { SettingsList } from '../player/sample/SettingsList';
import { Spoken } from '../player/Spoken';
import { usePlayerValue } from '../player/usePlayerValue';
import { TOOLS } from '../tools';
import { SoundCheck } from '../tools/read-aloud/SoundCheck';
import styles from './entry.module.css';
import { Page } from './Page';
import { post } from './post';
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

function Setting({ name, needs, set, sample }: Props) {
  const t = useTranslations('myView');
  const [session] = useState(() => sampleSession(sample, needs, name));
  useEffect(() => () => session.close(), [session]);
  const { value, speech } = usePlayerValue(session, (path) => path);
  const { keeping, reset } = useChosen(session, needs, set);
  return (
    <Page name={name} needs={value.look} wide>
      <PlayerProvider value={value}>
        <h1>{t('title')}</h1>
        <p>{t('text')}</p>
        <SetForYou needs={set} label={t('setForYou')} />
        {keeping === 'failed' && (
          <Alert type="warning" showIcon title={t('notKept')} className={styles.alert} />
        )}
        <div className={styles.myView}>
          <div className={styles.settings}>
            <SettingsList />
            <section className={styles.sound} aria-labelledby="sound-check">
              <h2 id="sound-check">{t('sound')}</h2>
              <SoundCheck />
            </section>
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

/** Keeps what is chosen, by itself. */
function useChosen(session: AttemptSession, needs: AccessNeeds, set: AccessNeeds) {
  const tools = useSyncExternalStore(
    session.subscribe,
    () => session.getState().tools,
    () => session.getState().tools,
  );
  const [keeping, setKeeping] = useState<'as-set' | 'keeping' | 'kept' | 'failed'>(() => {
    const { look, tools: before } = chosenIn({}, needs, set);
    return Object.keys(look).length + Object.keys(before).length > 0 ? 'kept' : 'as-set';
  });
  const chosen = useMemo(() => JSON.stringify(chosenIn(tools, needs, set)), [needs, set, tools]);
  const done = useRef(chosen);
  useEffect(() => {
    if (chosen === done.current) return undefined;
    let timer: ReturnType<typeof setTimeout>;
    const keep = async () => {
      setKeeping('keeping');
      const answer = await post('/api/my-view', { view: JSON.parse(chosen) as ChosenView });
      if (!answer.ok) {
        setKeeping('failed');
        timer = setTimeout(() => void keep(), AGAIN_MS);
        return;
      }
      done.current = chosen;
      setKeeping('kept');
    };
    timer = setTimeout(() => void keep(), REST_MS);
    // Whoever goes on at once has it kept too.
    const leaving = () => void post('/api/my-view', { view: JSON.parse(chosen) as ChosenView }, true);
    window.addEventListener('pagehide', leaving);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('pagehide', leaving);
    };
  }, [chosen]);
  const reset = () =>
    void post('/api/my-view', { view: null }).then((answer) =>
      answer.ok ? window.location.reload() : setKeeping('failed'),
    );
  return { keeping, reset };
}
