'use client';

import { startTransition, useCallback, useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { isFinished, neighbour } from '@/core/attempt/overview';
import { AT_QUESTION, type Position } from '@/core/attempt/position';
import { own } from '@/core/own';
import { isEnd, isForwardOnly, questionOrder, type DeliveredTest } from '@/core/item/delivered';
import { useHandler } from '../kit/useHandler';
import { Header } from './header/Header';
import { useAttempt, useKept, usePlayer } from '../attempt/PlayerContext';
import styles from './player.module.css';
import { Review } from './review/Review';
import { useDrawnAhead } from './sheets/drawnAhead';
import { SHEETS } from './sheets/GrowButton';
import { PassageSheet } from './sheets/PassageSheet';
import { QuestionSheet } from './sheets/QuestionSheet';
import { Sheets } from './sheets/Sheets';
import type { Unit } from './sheets/units';
import { useWhereRead } from '../tools/whereRead';
import { PageLayers } from './PageLayers';
import { useGoingOn } from './stages/useGoingOn';
import { ToolRail } from './rail/ToolRail';
import { useToolAct, useToolsHere, type OpenPanel } from './rail/tools';
import { Trail } from './trail/Trail';
import { useFlag } from './useFlag';
import { useKeys } from './useKeys';
import { useLeaving } from './useLeaving';
import { useReadBack } from './useReadBack';
import { useTitle } from './useTitle';
import { useTurning } from './useTurning';
import { ToolWindows } from './windows/ToolWindows';

/** The question screen: header, trail, sheets and tools, or the review in the place of the sheets. */
export function PlayerScreen({ onHandedIn, ready }: { onHandedIn: () => void; ready: boolean }) {
  const t = useTranslations('player');
  const { session, test, layout, dispatch } = usePlayer();
  const current = useAttempt((state) => state.current);
  const [position, setPosition] = useState<Position>(AT_QUESTION);
  const staged = useAttempt((state) => state.stage !== null);
  // Where no question is left to be on, what is left is looking over and handing in.
  const reviewing = position.kind === 'review' || (staged && current === null);
  const fromReview = position.kind === 'question' && position.fromReview;
  const [open, setOpen] = useState<string | null>(null);
  const pageRef = useRef<HTMLDivElement>(null);
  const shownRef = useRef<string | null>(null);
  const unseenRef = useRef<() => Unit[]>(() => []);
  const shown = reviewing ? [] : sheetsOf(test, current);
  const [{ alone }, keepSheets] = useKept('sheets', SHEETS);
  const { side, turn } = useTurning(shown[1] ?? null, shown[0] ?? null, pageRef);
  const { leave, reminder } = useLeaving(unseenRef, reviewing, () => {
    if (layout === 'narrow' && side === 'passage') turn('question');
    else if (alone === 'passage') keepSheets({ alone: null });
  });

  const openQuestion = useCallback(
    (ref: string) => {
      dispatch({ type: 'opened', item: ref });
      // Only the narrow screen scrolls as a whole; asking the wide one would cost a layout for nothing.
      if (layout === 'narrow') pageRef.current?.scrollTo({ top: 0 });
    },
    [dispatch, layout],
  );
  useEffect(() => {
    const [first] = questionOrder(test);
    if (current === null && !staged && first !== undefined) openQuestion(first);
  }, [current, openQuestion, staged, test]);

  useTitle(reviewing ? null : current);
  useWhereRead();

  const goTo = useHandler((ref: string) =>
    leave(() => {
      setPosition(AT_QUESTION);
      if (ref !== current) openQuestion(ref);
    }),
  );
  const going = useGoingOn({
    onGo: (ref) => {
      setPosition({ kind: 'question', fromReview: true });
      openQuestion(ref);
    },
    onWent: () => setPosition(AT_QUESTION),
  });
  const review = useHandler(() =>
    leave(() => {
      setPosition({ kind: 'review' });
      // An open panel belongs to the question; it would lie on what the review asks.
      setOpen(null);
      pageRef.current?.scrollTo({ top: 0 });
    }),
  );
  const step = useHandler((by: 1 | -1) => {
    if (current === null) return;
    if (isForwardOnly(test, current)) {
      if (by > 0 && !isEnd(test, current))
        leave(() => going.next(isFinished(test, session.getState(), current)));
      else if (by > 0) review();
      return;
    }
    const target = neighbour(test, current, by);
    if (target !== null) goTo(target);
  });
  usePlayerKeys({ step, review, open, setOpen, current, reviewing });

  const sheets = useDrawnAhead([...new Set([...shown, ...useNear(current, ready)])], shown, (sheet) => {
    const item = own(test.items, sheet);
    return item ? (
      <QuestionSheet
        item={item}
        pageRef={pageRef}
        unseenRef={unseenRef}
        shownRef={shownRef}
        fromReview={fromReview && sheet === current}
        onStep={step}
        onReview={review}
        onTurn={turn}
      />
    ) : (
      <PassageSheet stimulusId={sheet.slice(PASSAGE.length)} pageRef={pageRef} onTurn={turn} />
    );
  });
  const [question, passage] = shown.map(sheets.elementOf);

  return (
    <div ref={pageRef} className={styles.screen} data-layout={layout} data-player={ready ? 'ready' : ''}>
      <a className={styles.skip} href="#able-main">
        {t('skip')}
      </a>
      <Header />
      <Trail current={reviewing ? null : current} onGo={goTo} onReview={review} />
      <ToolRail open={open} setOpen={setOpen} />
      <main id="able-main" className={styles.main} tabIndex={-1}>
        {reviewing ? (
          <div className={styles.single}>
            <Review
              current={current}
              pageRef={pageRef}
              onHandedIn={onHandedIn}
              onEndPart={going.endPart}
              onGo={(ref) => {
                setPosition({ kind: 'question', fromReview: true });
                openQuestion(ref);
              }}
            />
          </div>
        ) : (
          ((question && <Sheets question={question} passage={passage} side={side} />) ?? <Fetching />)
        )}
        {sheets.drawn}
      </main>
      {!reviewing && <ToolWindows />}
      <PageLayers />
      {reminder}
      {going.dialogs}
    </div>
  );
}

/** Until the question is here that a step from elsewhere, or a clock, has led to. */
function Fetching() {
  const t = useTranslations('stages');
  return (
    <p className={styles.fetching} role="status">
      {t('fetching')}
    </p>
  );
}

/** What a passage's sheet is called among the sheets; a question's is called by its reference. */
const PASSAGE = 'passage:';

/** The sheets a question is shown on: its own, and its passage's. */
function sheetsOf(test: DeliveredTest, ref: string | null): string[] {
  const item = ref === null ? undefined : own(test.items, ref);
  if (!item) return [];
  const [stimulus] = item.stimuli;
  return [item.ref, ...(stimulus !== undefined && own(test.stimuli, stimulus) ? [PASSAGE + stimulus] : [])];
}

/** Time a question has to itself, to be painted and first looked at, before its neighbours are drawn. */
const LOOK_FIRST_MS = 120;

/** The sheets of a question and of those on either side, once it stands and all code is here. */
function useNear(current: string | null, ready: boolean): readonly string[] {
  const { test } = usePlayer();
  const [near, setNear] = useState<readonly string[]>([]);
  useEffect(() => {
    if (current === null || !ready) return undefined;
    const refs = [current, neighbour(test, current, 1), neighbour(test, current, -1)];
    const later = setTimeout(
      () => startTransition(() => setNear(refs.flatMap((ref) => sheetsOf(test, ref)))),
      LOOK_FIRST_MS,
    );
    return () => clearTimeout(later);
  }, [current, ready, test]);
  return near;
}

interface KeyTargets extends OpenPanel {
  readonly step: (by: 1 | -1) => void;
  readonly review: () => void;
  readonly current: string | null;
  readonly reviewing: boolean;
}

/** The Alt keys of the screen and of every tool the student has in this test. */
function usePlayerKeys({ step, review, open, setOpen, current, reviewing }: KeyTargets): void {
  const { test } = usePlayer();
  const act = useToolAct({ open, setOpen });
  const flag = useFlag();
  const readBack = useReadBack();
  useKeys(
    new Map<string, () => void>([
      ['next', () => !reviewing && step(1)],
      ['back', () => !reviewing && step(-1)],
      ['flag', () => current !== null && !isForwardOnly(test, current) && flag(current)],
      ['review', review],
      ['readBack', () => current !== null && !reviewing && readBack(current)],
      ...useToolsHere().map((here) => [here.tool.id, () => act(here)] as const),
    ]),
  );
}
