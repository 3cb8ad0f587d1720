'use client';

import { CircleHelp, Flag, Redo2, RotateCcw, Undo2 } from 'lucide-react';
import { memo, useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { useTranslations } from 'use-intl';
import { isClosed, isLocked, itemOf, type Responses } from '@/core/attempt/state';
import { isForwardOnly, type DeliveredItem } from '@/core/item/delivered';
import { interactionsOf } from '@/core/content/content';
import { givenResponses, isAnswered } from '@/core/item/progress';
import { WrittenIn } from '../../content/ContentView';
import { CheckDialog } from '../dialogs/CheckDialog';
import { Dialog } from '../dialogs/Dialog';
import { LessonDialog } from '../dialogs/LessonDialog';
import { useFlag } from '../useFlag';
import { useAttempt, usePlayer } from '../../attempt/PlayerContext';
import { Directions } from './Directions';
import { GrowButton } from './GrowButton';
import { ItemBody } from './InteractionHost';
import { QuestionFooter } from './QuestionFooter';
import { Ways } from './Ways';
import { Sheet } from './Sheet';
import type { Side } from '../useTurning';
import styles from './sheets.module.css';
import { questionUnits, type Unit } from './units';
import { Feedback } from './Feedback';
import { useChecking } from './useChecking';
import { useSeen } from './useSeen';
import { Button } from '../../kit/Button';

interface Props {
  readonly item: DeliveredItem;
  /** What it scrolls in with others; null where it scrolls by itself. */
  readonly inRef: RefObject<HTMLElement | null> | null;
  /** Whether it stands on one page with others of its section. */
  readonly together: boolean;
  /** Where the screen asks, before leaving, what of a question was never seen. */
  readonly unseen: Map<string, () => Unit[]>;
  readonly onStep: (step: 1 | -1) => void;
  readonly onReview: () => void;
  readonly fromReview: boolean;
  /** Shows the passage in its place, where there is room for one. */
  readonly onTurn: (to: Side) => void;
}

/** One question: its number and points, its body, what is missing, and the way on. Each question has a sheet of its own. */
export const QuestionSheet = memo(function QuestionSheet({
  item,
  inRef,
  together,
  unseen,
  onStep,
  onReview,
  fromReview,
  onTurn,
}: Props) {
  const t = useTranslations('question');
  const { number } = item;
  const { test } = usePlayer();
  const over = useAttempt((state) => isClosed(state, item.ref) && !isLocked(state, item.ref));
  // What is left for good is not come back to.
  const canFlag = !isForwardOnly(test, item.ref) && !(over && item.tries === null);
  const ownRef = useRef<HTMLElement>(null);
  const contentRef = useRef<HTMLDivElement>(null);
  const scrollerRef = inRef ?? ownRef;
  const neverSeen = useSeen(item.ref, scrollerRef, contentRef);
  const checking = useChecking(item);
  const stimulus = item.stimuli[0];

  useEffect(() => {
    unseen.set(item.ref, neverSeen);
  }, [item.ref, neverSeen, unseen]);

  return (
    <Sheet
      sheet="question"
      textId={`item:${item.ref}`}
      label={t('label', { number })}
      units={questionUnits}
      flows={inRef !== null}
      question={item.ref}
      together={together}
      scrollerRef={scrollerRef}
      contentRef={contentRef}
      head={
        <header className={styles.head}>
          <div className={styles.headLine}>
            <h2 tabIndex={-1} className={styles.number}>
              {t('number', { number })}
            </h2>
            {item.points !== null && (
              <span className={styles.points}>{t('points', { points: item.points })}</span>
            )}
            <span className={styles.grow} />
            <HowTo item={item} />
            {canFlag && <FlagButton itemRef={item.ref} />}
            <span className={styles.headEnd}>
              <Steps item={item} />
              {stimulus !== undefined && !together && <GrowButton sheet="question" onTurn={onTurn} />}
            </span>
          </div>
        </header>
      }
      foot={
        <QuestionFooter
          item={item}
          checking={checking}
          ways={!together && <Ways itemRef={item.ref} {...{ onStep, onReview, fromReview }} />}
        />
      }
    >
      <div className={styles.question}>
        <Directions itemRef={item.ref} once={together} />
        <WrittenIn language={item.language}>
          <ItemBody item={item} onCheck={checking.check} />
          <Feedback item={item} />
        </WrittenIn>
        {item.tries !== null && <CheckDialog item={item} checking={checking} />}
      </div>
    </Sheet>
  );
});

/** The lesson on this kind of question, at any moment and without losing the place (work.md, B8). */
function HowTo({ item }: { item: DeliveredItem }) {
  const t = useTranslations('lessons');
  const [open, setOpen] = useState(false);
  if (interactionsOf(item.body).length === 0) return null;
  return (
    <>
      <Button small className={styles.headButton} title={t('button')} onClick={() => setOpen(true)}>
        <CircleHelp size="1.1em" aria-hidden="true" />
        <span className={styles.headName}>{t('button')}</span>
      </Button>
      <LessonDialog item={item} open={open} onClose={() => setOpen(false)} />
    </>
  );
}

function FlagButton({ itemRef }: { itemRef: string }) {
  const t = useTranslations('question');
  const flag = useFlag();
  const flagged = useAttempt((state) => itemOf(state, itemRef).flagged);
  return (
    <Button
      small
      className={styles.headButton}
      data-flag=""
      aria-pressed={flagged}
      title={t('flagHint')}
      onClick={() => flag(itemRef)}
    >
      <Flag size="1.1em" aria-hidden="true" fill={flagged ? 'currentColor' : 'none'} />
      <span className={styles.headName}>{flagged ? t('flagged') : t('flag')}</span>
    </Button>
  );
}

/** Undo, redo, and starting this question over after a warning. */
function Steps({ item }: { item: DeliveredItem }) {
  const t = useTranslations('question');
  const { dispatch, announce } = usePlayer();
  const own = useAttempt((state) => itemOf(state, item.ref));
  const [asking, setAsking] = useState(false);
  const given = useMemo(() => givenResponses(item), [item]);
  const answered = isAnswered(item, own.responses);
  const everything = (from: Responses): Responses =>
    Object.fromEntries(given.map((identifier) => [identifier, from[identifier] ?? null]));
  const go = (how: 'undo' | 'redo' | 'start-over', to: Responses) => {
    dispatch({ type: 'answered', item: item.ref, responses: everything(to), how });
    announce(t(`did.${how}`));
  };
  const closed = useAttempt((state) => isClosed(state, item.ref));
  const before = closed ? undefined : own.past.at(-1);
  const after = closed ? undefined : own.future[0];
  return (
    <span className={styles.steps}>
      <Button
        look="quiet"
        disabled={!before}
        aria-label={t('undo')}
        title={t('undo')}
        onClick={() => before && go('undo', before)}
      >
        <Undo2 size="1.15em" aria-hidden="true" />
      </Button>
      <Button
        look="quiet"
        disabled={!after}
        aria-label={t('redo')}
        title={t('redo')}
        onClick={() => after && go('redo', after)}
      >
        <Redo2 size="1.15em" aria-hidden="true" />
      </Button>
      <Button
        look="quiet"
        disabled={!answered || closed}
        aria-label={t('startOver')}
        title={t('startOver')}
        onClick={() => setAsking(true)}
      >
        <RotateCcw size="1.1em" aria-hidden="true" />
      </Button>
      <Dialog
        open={asking}
        title={t('startOverTitle')}
        onClose={() => setAsking(false)}
        actions={[
          { words: t('startOverNo'), act: () => setAsking(false) },
          {
            words: t('startOverYes'),
            main: true,
            act: () => {
              setAsking(false);
              go('start-over', {});
            },
          },
        ]}
      >
        <p>{t('startOverText')}</p>
      </Dialog>
    </span>
  );
}
