'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { isFinished, neighbour } from '@/core/attempt/overview';
import { AT_QUESTION, type Position } from '@/core/attempt/position';
import { own } from '@/core/own';
import { isEnd, isForwardOnly, questionOrder, shownTogether } from '@/core/item/delivered';
import { useHandler } from '../kit/useHandler';
import { Header } from './header/Header';
import { useAttempt, useKept, usePlayer } from '../attempt/PlayerContext';
import styles from './player.module.css';
import { Notices } from './screen/Notices';
import { Review } from './review/Review';
import { SheetPlace, useDrawnAhead } from './sheets/drawnAhead';
import { SHEETS } from './sheets/GrowButton';
import { NONE, PASSAGE, sheetsFor, useNear } from './sheets/onScreen';
import { PassageSheet } from './sheets/PassageSheet';
import { QuestionSheet } from './sheets/QuestionSheet';
import { SectionPage } from './sheets/SectionPage';
import { Sheets } from './sheets/Sheets';
import type { Unit } from './sheets/units';
import { useWhereRead } from '../tools/whereRead';
import { PageLayers } from './PageLayers';
import { useGoingOn } from './stages/useGoingOn';
import { ToolRail } from './rail/ToolRail';
import { useToolAct, useToolsHere, type OpenPanel } from './rail/tools';
import { Trail } from './trail/Trail';
import { useArrival } from './useArrival';
import { useFlag } from './useFlag';
import { useKeys } from './useKeys';
import type { Fetched } from './usePreload';
import { useLeaving } from './useLeaving';
import { useReadBack } from './useReadBack';
import { useTitle } from './useTitle';
import { useTurning } from './useTurning';
import { ToolWindows } from './windows/ToolWindows';

/** The question screen: header, trail, sheets and tools, or the review in the place of the sheets. */
export function PlayerScreen({ onHandedIn, fetched }: { onHandedIn: () => void; fetched: Fetched }) {
  const ready = fetched !== 'nothing';
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
  /** What several questions on one page scroll in. */
  const sectionRef = useRef<HTMLElement>(null);
  const readRef = useRef<string | null>(null);
  const [unseen] = useState(() => new Map<string, () => Unit[]>());
  const { questions, passage } = useMemo(() => sheetsFor(test, current), [test, current]);
  const [first] = questions;
  const together = questions.length > 1;
  const pageScrollerRef = layout === 'narrow' ? pageRef : null;
  const togetherRef = pageScrollerRef ?? sectionRef;
  const [{ alone }, keepSheets] = useKept('sheets', SHEETS);
  // On one page with others the passage may change while one reads on: that turns nothing.
  const { side, turn } = useTurning(together ? (first ?? null) : passage, first ?? null, current, pageRef);
  const { leave, reminder } = useLeaving(unseen, reviewing ? NONE : questions, () => {
    if (layout === 'narrow' && side === 'passage') turn('question');
    else if (alone === 'passage') keepSheets({ alone: null });
  });

  const openQuestion = useCallback(
    (ref: string) => {
      readRef.current = null;
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

  const readOn = useHandler((ref: string) => {
    readRef.current = ref;
    dispatch({ type: 'opened', item: ref });
  });
  useArrival(!reviewing && questions.length > 0 ? current : null, together, pageRef, readRef);

  const goTo = useHandler((ref: string) => {
    const go = () => {
      setPosition(AT_QUESTION);
      if (ref !== current) openQuestion(ref);
    };
    if (!reviewing && questions.includes(ref)) go();
    else leave(go);
  });
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

  const shown = reviewing ? NONE : [...questions, ...(passage === null ? [] : [passage])];
  const near = useNear(current, ready);
  const sheets = useDrawnAhead([...new Set([...shown, ...near])], shown, (sheet) => {
    const item = own(test.items, sheet);
    return item ? (
      <QuestionSheet
        item={item}
        inRef={shownTogether(test, sheet).length > 1 ? togetherRef : pageScrollerRef}
        together={shownTogether(test, sheet).length > 1}
        unseen={unseen}
        fromReview={fromReview && sheet === current}
        onStep={step}
        onReview={review}
        onTurn={turn}
      />
    ) : (
      <PassageSheet stimulusId={sheet.slice(PASSAGE.length)} inRef={pageScrollerRef} onTurn={turn} />
    );
  });
  const ways = { onStep: step, onReview: review, fromReview };
  const question =
    first !== undefined && current !== null && together ? (
      <SectionPage
        key={first}
        refs={questions}
        current={current}
        elementOf={sheets.elementOf}
        scrollerRef={togetherRef}
        onRead={readOn}
        hasPassage={passage !== null}
        onTurn={turn}
        {...ways}
      />
    ) : (
      first !== undefined && <SheetPlace element={sheets.elementOf(first)} />
    );

  return (
    <div
      ref={pageRef}
      className={styles.screen}
      data-layout={layout}
      data-player={ready ? 'ready' : ''}
      data-fetched={fetched}
    >
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
          (question && (
            <Sheets
              question={question}
              passage={passage === null ? undefined : sheets.elementOf(passage)}
              side={side}
            />
          )) || <Fetching />
        )}
        {sheets.drawn}
      </main>
      {!reviewing && <ToolWindows />}
      <PageLayers />
      {reminder}
      {going.dialogs}
      <Notices />
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
