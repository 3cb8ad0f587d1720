'use client';

import { ArrowLeft, ArrowRightToLine, Flag, Lock, Send } from 'lucide-react';
import { useEffect, useRef, useState, type RefObject } from 'react';
import { useTranslations } from 'use-intl';
import { itemOf } from '@/core/attempt/state';
import { isLastPart, openPartOf, partsOf } from '@/core/item/delivered';
import { own } from '@/core/own';
import type { QuestionOverview } from '@/core/attempt/overview';
import { HandInDialog } from '../dialogs/HandInDialog';
import { useAttempt, usePlayer } from '../../attempt/PlayerContext';
import { MoreBelow } from '../sheets/MoreBelow';
import { reviewUnits } from '../sheets/units';
import { useOverview } from '../trail/useOverview';
import { useSaid } from '../../interactions/useSaid';
import { progressText, useProgressWords } from '../useProgressWords';
import { toolsOn } from '../../tools';
import { PartName } from '../stages/usePartName';
import styles from './review.module.css';
import { Button, Press } from '../../kit/Button';

type Filter = 'all' | 'unfinished' | 'flagged';
const FILTERS: readonly Filter[] = ['all', 'unfinished', 'flagged'];

interface Props {
  readonly current: string | null;
  /** What scrolls when everything is in one column. */
  readonly pageRef: RefObject<HTMLElement | null>;
  readonly onGo: (ref: string) => void;
  readonly onHandedIn: () => void;
  /** Ends the open part, where another follows. */
  readonly onEndPart: () => void;
}

/** Every question with how it stands and what is missing; a press goes there. Handing in starts here and nowhere else. */
export function Review({ current, pageRef, onGo, onHandedIn, onEndPart }: Props) {
  const t = useTranslations('review');
  const stages = useTranslations('stages');
  const { layout, test, rehearsal } = usePlayer();
  const part = openPartOf(test);
  const goesOn = part !== undefined && !isLastPart(test, part);
  const ownRef = useRef<HTMLDivElement>(null);
  const contentRef = useRef<HTMLDivElement>(null);
  const questions = useOverview();
  const [filter, setFilter] = useState<Filter>('all');
  const [asking, setAsking] = useState(false);
  const headingRef = useRef<HTMLHeadingElement>(null);
  useEffect(() => headingRef.current?.focus(), []);
  const fits: Record<Filter, (one: QuestionOverview) => boolean> = {
    all: () => true,
    unfinished: (one) => one.standing !== 'done' && !one.closed,
    flagged: (one) => one.flagged,
  };
  const shown = questions.filter(fits[filter]);
  const here = questions.find((one) => one.ref === current);
  const open = questions.filter((one) => !one.closed);
  const unfinished = questions.filter(fits.unfinished).length;

  return (
    <section className={styles.review} aria-labelledby="able-review">
      <header className={styles.head}>
        <h2 id="able-review" ref={headingRef} tabIndex={-1}>
          {t('title')}
        </h2>
        {part ? (
          <p>
            {partsOf(test).length > 1 && (
              <b>
                <PartName part={part} />:{' '}
              </b>
            )}
            {part.navigation === 'linear'
              ? stages('forwardReview')
              : unfinished === 0
                ? t('allDone')
                : t('some', { count: unfinished, total: open.length })}
          </p>
        ) : (
          <p>{stages('allEnded')}</p>
        )}
        <div className={styles.filters} role="group" aria-label={t('filter')}>
          {FILTERS.map((one) => (
            <Button key={one} aria-pressed={filter === one} onClick={() => setFilter(one)}>
              {t(`filters.${one}`, { count: questions.filter(fits[one]).length })}
            </Button>
          ))}
        </div>
      </header>
      {shown.length === 0 ? (
        <p className={styles.none}>{t(`none.${filter}`)}</p>
      ) : (
        <div className={styles.middle}>
          {/* eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- a region that scrolls must be reachable by keys */}
          <div ref={ownRef} className={styles.scroll} tabIndex={0} role="region" aria-label={t('title')}>
            <div ref={contentRef}>
              <ul className={styles.list}>
                {shown.map((one) => (
                  <li key={one.ref}>
                    <Row question={one} here={one.ref === current} onGo={() => onGo(one.ref)} />
                  </li>
                ))}
              </ul>
            </div>
          </div>
          <MoreBelow
            scrollerRef={layout === 'narrow' ? pageRef : ownRef}
            contentRef={contentRef}
            units={reviewUnits}
            textId={filter}
          />
        </div>
      )}
      <footer className={styles.foot}>
        {here && (
          <Button look="way" onClick={() => onGo(here.ref)}>
            <ArrowLeft size="1.15em" aria-hidden="true" />
            {t('backTo', { number: here.number })}
          </Button>
        )}
        <span className={styles.note}>
          {rehearsal ? t('noteRehearsal') : goesOn ? stages('note') : t('note')}
        </span>
        {rehearsal ? (
          <Button look="main" onClick={rehearsal.leave}>
            {t('leave')}
          </Button>
        ) : goesOn ? (
          <Button look="main" onClick={onEndPart}>
            <ArrowRightToLine size="1.15em" aria-hidden="true" />
            <PartName part={part} say={(name) => stages('end', { part: name })} />
          </Button>
        ) : (
          <Button look="main" onClick={() => setAsking(true)}>
            <Send size="1.15em" aria-hidden="true" />
            {t('handIn')}
          </Button>
        )}
      </footer>
      <HandInDialog
        open={asking}
        questions={open}
        onClose={() => setAsking(false)}
        onGo={onGo}
        onDone={onHandedIn}
      />
    </section>
  );
}

function Row({ question, here, onGo }: { question: QuestionOverview; here: boolean; onGo: () => void }) {
  const t = useTranslations('trail');
  const words = useProgressWords();
  const { number, standing, flagged, closed, progress } = question;
  const { test } = usePlayer();
  const say = useSaid();
  const tools = useTranslations('tools');
  const kept = useAttempt((state) => state.tools);
  const signs = toolsOn(kept, question.ref);
  const responses = useAttempt((state) => itemOf(state, question.ref).responses);
  const item = own(test.items, question.ref);
  const answer = item ? say.glance(item, responses) : '';
  const missing = closed || standing === 'done' || standing === 'not-opened' ? [] : words(progress);
  return (
    <Press
      className={styles.row}
      data-standing={standing}
      data-review-row={number}
      aria-current={here ? 'step' : undefined}
      onClick={onGo}
    >
      <span className={styles.stop} data-standing={standing} aria-hidden="true">
        {number}
      </span>
      <span className={styles.name}>
        <b>{t('question', { number })}</b>
        <span>{t(`standing.${standing}`)}</span>
        {closed && (
          <span className={styles.closed}>
            <Lock size="0.9em" aria-hidden="true" /> {t('closed')}
          </span>
        )}
      </span>
      <span className={styles.missing}>
        {answer !== '' && <span className={styles.answer}>{answer}</span>}
        {missing.length > 0 && <span>{progressText(missing)}</span>}
      </span>
      {signs.map(({ id, Icon }) => (
        <span key={id} className={styles.sign}>
          <Icon size="1.1em" aria-hidden="true" />
          {tools(`${id as 'notes'}.sign`)}
        </span>
      ))}
      {flagged && (
        <span className={styles.flag}>
          <Flag size="1.1em" fill="currentColor" aria-hidden="true" />
          {t('flagged')}
        </span>
      )}
    </Press>
  );
}
