'use client';

import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import { Panel, PanelGroup, PanelResizeHandle } from 'react-resizable-panels';
import { useTranslations } from 'use-intl';
import { neighbour } from '@/core/attempt/overview';
import { itemOf } from '@/core/attempt/state';
import type { DeliveredItem } from '@/core/item/delivered';
import { questionOrder } from '@/core/item/delivered';
import { TOOLS } from '../tools';
import { ReminderDialog } from './dialogs/ReminderDialog';
import { Header } from './header/Header';
import { useAttempt, usePlayer, useToolState } from './PlayerContext';
import styles from './player.module.css';
import { Review } from './review/Review';
import { SHEETS, type SheetsState } from './sheets/GrowButton';
import { PassageSheet } from './sheets/PassageSheet';
import { QuestionSheet } from './sheets/QuestionSheet';
import type { Unit } from './sheets/units';
import { ToolRail, useToolSwitch } from './ToolRail';
import { Trail } from './trail/Trail';
import { useKeys } from './useKeys';

/** The question screen: header, trail, sheets and tools, or the review in the place of the sheets. */
export function PlayerScreen({ onHandedIn, ready }: { onHandedIn: () => void; ready: boolean }) {
  const t = useTranslations('player');
  const { test, layout, dispatch } = usePlayer();
  const current = useAttempt((state) => state.current);
  const [reviewing, setReviewing] = useState(false);
  const [fromReview, setFromReview] = useState(false);
  const [openTool, setOpenTool] = useState<string | null>(null);
  const pageRef = useRef<HTMLDivElement>(null);
  const shownRef = useRef<string | null>(null);
  const unseenRef = useRef<() => Unit[]>(() => []);
  const { leave, reminder } = useLeaving(unseenRef, reviewing);

  const open = useCallback(
    (ref: string) => {
      dispatch({ type: 'opened', item: ref });
      // Only the narrow screen scrolls as a whole; asking the wide one would cost a layout for nothing.
      if (layout === 'narrow') pageRef.current?.scrollTo({ top: 0 });
    },
    [dispatch, layout],
  );
  useEffect(() => {
    const [first] = questionOrder(test);
    if (current === null && first !== undefined) open(first);
  }, [current, open, test]);

  const item = current === null ? undefined : test.items[current];
  const number = current === null ? 0 : questionOrder(test).indexOf(current) + 1;
  const goTo = (ref: string) =>
    leave(() => {
      setFromReview(false);
      setReviewing(false);
      if (ref !== current) open(ref);
    });
  const step = (by: 1 | -1) => {
    const target = current === null ? null : neighbour(test, current, by);
    if (target !== null) goTo(target);
  };
  const review = () =>
    leave(() => {
      setReviewing(true);
      pageRef.current?.scrollTo({ top: 0 });
    });
  usePlayerKeys({ step, review, openTool, setOpenTool, current, reviewing });

  return (
    <div ref={pageRef} className={styles.screen} data-layout={layout} data-player={ready ? 'ready' : ''}>
      <a className={styles.skip} href="#able-main">
        {t('skip')}
      </a>
      <Header />
      <Trail current={reviewing ? null : current} onGo={goTo} onReview={review} />
      <ToolRail openTool={openTool} onOpenTool={setOpenTool} />
      <main id="able-main" className={styles.main} tabIndex={-1}>
        {reviewing ? (
          <div className={styles.single}>
            <Review
              current={current}
              pageRef={pageRef}
              onHandedIn={onHandedIn}
              onGo={(ref) => {
                setReviewing(false);
                setFromReview(true);
                open(ref);
              }}
            />
          </div>
        ) : (
          item && (
            <Sheets
              key={layout === 'narrow' ? 'narrow' : 'wide'}
              {...{ item, number, pageRef, unseenRef, shownRef, fromReview }}
              onStep={step}
              onReview={review}
            />
          )
        )}
      </main>
      {reminder}
    </div>
  );
}

interface SheetsProps {
  readonly item: DeliveredItem;
  readonly number: number;
  readonly pageRef: RefObject<HTMLDivElement | null>;
  readonly unseenRef: RefObject<() => Unit[]>;
  readonly shownRef: RefObject<string | null>;
  readonly fromReview: boolean;
  readonly onStep: (step: 1 | -1) => void;
  readonly onReview: () => void;
}

/** The question, and its passage beside or above it with a divider between. */
function Sheets(props: SheetsProps) {
  const t = useTranslations('passage');
  const { layout } = usePlayer();
  const [{ share, alone }, keep] = useToolState<SheetsState>('sheets', SHEETS);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const stimulus = props.item.stimuli[0];
  const question = <QuestionSheet {...props} />;
  if (stimulus === undefined) return <div className={styles.single}>{question}</div>;
  const passage = <PassageSheet stimulusId={stimulus} pageRef={props.pageRef} />;
  if (layout === 'narrow') {
    return (
      <div className={styles.stack}>
        {passage}
        {question}
      </div>
    );
  }
  if (alone !== null) return <div className={styles.single}>{alone === 'passage' ? passage : question}</div>;
  const keepShare = ([first]: number[]) => {
    clearTimeout(timer.current);
    if (first === undefined || Math.round(first) === Math.round(share)) return;
    timer.current = setTimeout(() => keep({ share: Math.round(first) }), 500);
  };
  return (
    <PanelGroup direction={layout === 'wide' ? 'horizontal' : 'vertical'} onLayout={keepShare}>
      <Panel id="passage" order={1} defaultSize={share} minSize={20}>
        {passage}
      </Panel>
      <PanelResizeHandle className={styles.grip} aria-label={t('divider')} />
      <Panel id="question" order={2} defaultSize={100 - share} minSize={25}>
        {question}
      </Panel>
    </PanelGroup>
  );
}

/** The one gentle stop: leaving with something never seen is asked about once per question. */
function useLeaving(unseenRef: RefObject<() => Unit[]>, reviewing: boolean) {
  const { session, dispatch } = usePlayer();
  const [asked, setAsked] = useState<{ unseen: Unit[]; go: () => void } | null>(null);
  const leave = (go: () => void) => {
    const { current } = session.getState();
    const unseen = reviewing || current === null ? [] : unseenRef.current();
    if (current === null || unseen.length === 0 || itemOf(session.getState(), current).reminded) {
      go();
      return;
    }
    dispatch({ type: 'reminded', item: current });
    setAsked({ unseen, go });
  };
  const reminder = (
    <ReminderDialog
      unseen={asked?.unseen ?? null}
      onShow={() => {
        const first = asked?.unseen[0]?.element;
        setAsked(null);
        setTimeout(() => first?.scrollIntoView({ block: 'center' }));
      }}
      onGoOn={() => {
        setAsked(null);
        asked?.go();
      }}
    />
  );
  return { leave, reminder };
}

interface KeyTargets {
  readonly step: (by: 1 | -1) => void;
  readonly review: () => void;
  readonly openTool: string | null;
  readonly setOpenTool: (id: string | null) => void;
  readonly current: string | null;
  readonly reviewing: boolean;
}

/** The Alt keys of the screen. */
function usePlayerKeys({ step, review, openTool, setOpenTool, current, reviewing }: KeyTargets): void {
  const { session, dispatch } = usePlayer();
  const [lineReader, highlighter, eliminator, magnifier, colours] = TOOLS;
  const switches = {
    'line-reader': useToolSwitch(lineReader as (typeof TOOLS)[number]),
    eliminator: useToolSwitch(eliminator as (typeof TOOLS)[number]),
  };
  const panel = (id: string | undefined) => () =>
    setOpenTool(openTool === id || id === undefined ? null : id);
  useKeys({
    next: () => !reviewing && step(1),
    back: () => !reviewing && step(-1),
    flag: () => {
      if (current !== null)
        dispatch({ type: 'flagged', item: current, on: !itemOf(session.getState(), current).flagged });
    },
    review,
    'line-reader': switches['line-reader'].toggle,
    highlighter: panel(highlighter?.id),
    eliminator: switches.eliminator.toggle,
    magnifier: panel(magnifier?.id),
    colours: panel(colours?.id),
  });
}
