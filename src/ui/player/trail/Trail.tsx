'use client';

import { ChevronDown } from 'lucide-react';
import { memo, useEffect, useRef, useState, type ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import type { QuestionOverview } from '@/core/attempt/overview';
import { useHandler } from '../../kit/useHandler';
import type { AttemptState } from '@/core/attempt/state';
import { forwardPlace, openPartOf, partsOf, type DeliveredPart } from '@/core/item/delivered';
import { own } from '@/core/own';
import { useAttempt, usePlayer } from '../../attempt/PlayerContext';
import { toolsOn } from '../../tools';
import styles from './trail.module.css';
import { PartName, usePartName } from '../stages/usePartName';
import { useOverview } from './useOverview';
import { Press } from '../../kit/Button';

interface Props {
  readonly current: string | null;
  readonly onGo: (ref: string) => void;
  readonly onReview: () => void;
}

/** The questions like stops on a line: how each stands by shape and words, and a way to any of them. */
export function Trail({ current, onGo, onReview }: Props) {
  const t = useTranslations('trail');
  const { test, layout, tight } = usePlayer();
  const questions = useOverview();
  const signs = useAttempt(signsIn);
  const [shown, setShown] = useState(false);
  const narrow = layout === 'narrow';
  const nameOf = usePartName();
  const parts = partsOf(test);
  const open = openPartOf(test);
  const inOpen = questions.filter(({ ref }) => open?.sections.some(({ items }) => items.includes(ref)));
  const done = inOpen.filter((one) => one.standing === 'done').length;
  const here = questions.find((one) => one.ref === current);
  const byRef = new Map(questions.map((one) => [one.ref, one]));
  const visible = !narrow || shown;
  const go = useHandler((ref: string) => {
    setShown(false);
    onGo(ref);
  });

  const lookOver = (
    <Press
      className={styles.review}
      onClick={() => {
        setShown(false);
        onReview();
      }}
      title={t('reviewHint')}
    >
      {open?.navigation === 'nonlinear' && <b>{t('count', { done, total: inOpen.length })}</b>}
      {t('review')}
    </Press>
  );

  return (
    <nav className={styles.trail} aria-label={t('label')} data-narrow={narrow || undefined}>
      {narrow && (
        <Press
          className={styles.toggle}
          aria-expanded={shown}
          aria-label={here && tight ? t('where', { number: here.number, total: test.count }) : undefined}
          onClick={() => setShown(!shown)}
        >
          {here ? t(tight ? 'whereShort' : 'where', { number: here.number, total: test.count }) : t('label')}
          <ChevronDown size="1.1em" aria-hidden="true" />
        </Press>
      )}
      {visible && (
        <div className={styles.line}>
          {parts.map((part) => (
            <PartStops
              key={part.identifier}
              part={part}
              name={parts.length > 1 ? nameOf(part) : null}
              stopOf={(ref) => {
                const question = byRef.get(ref);
                return (
                  question && (
                    <Stop
                      target={ref}
                      number={question.number}
                      standing={question.standing}
                      flagged={question.flagged}
                      closed={question.closed}
                      here={ref === current}
                      sign={own(signs, ref) ?? null}
                      onGo={go}
                    />
                  )
                );
              }}
            />
          ))}
          {narrow && lookOver}
        </div>
      )}
      {!narrow && lookOver}
    </nav>
  );
}

interface PartProps {
  readonly part: DeliveredPart;
  /** Its name, where there is more than one part. */
  readonly name: string | null;
  readonly stopOf: (ref: string) => ReactNode;
}

/** The stops of a part. What cannot be gone to, behind or ahead, is only drawn; how much it is, is said once. */
function PartStops({ part, name, stopOf }: PartProps) {
  const t = useTranslations('trail');
  const { test } = usePlayer();
  const { behind, ahead, from } = forwardPlace(test, part);
  const still = (count: number, first: number, where: 'behind' | 'ahead') =>
    count > 0 && (
      <ol className={styles.stops} aria-hidden="true">
        {Array.from({ length: Math.min(count, MOST_DRAWN) }, (_, i) => (
          <li key={i}>
            <span className={styles.still} data-where={where}>
              {first + i}
            </span>
          </li>
        ))}
      </ol>
    );
  return (
    <section className={styles.part} aria-label={name ?? undefined}>
      {name !== null && (
        <p className={styles.partName}>
          <b aria-hidden="true">
            <PartName part={part} />
          </b>
          <span>{part.status === 'open' ? '' : t(`part.${part.status}`, { count: part.count })}</span>
        </p>
      )}
      {behind + ahead > 0 && <p className="visually-hidden">{t('forward', { behind, ahead })}</p>}
      {still(behind, from, 'behind')}
      {part.sections.map((section) => (
        <section key={section.items[0]} className={styles.section} aria-label={section.title || undefined}>
          {section.title !== '' && behind + ahead === 0 && (
            <p className={styles.legend} aria-hidden="true">
              {section.title}
            </p>
          )}
          <ol className={styles.stops}>
            {section.items.map((ref) => (
              <li key={ref}>{stopOf(ref)}</li>
            ))}
          </ol>
        </section>
      ))}
      {still(ahead, from + behind + 1, 'ahead')}
    </section>
  );
}
/** More than this of what cannot be gone to is not drawn. */
const MOST_DRAWN = 40;

const seenIn = new WeakMap<AttemptState['tools'], Readonly<Record<string, string>>>();

/** Which tool has something at each question; the same object while nothing a tool keeps has changed. */
function signsIn({ tools, items }: AttemptState): Readonly<Record<string, string>> {
  const known = seenIn.get(tools);
  if (known) return known;
  const signs = Object.fromEntries(
    Object.keys(items).flatMap((ref) => toolsOn(tools, ref).map(({ id }) => [ref, id] as const)),
  );
  seenIn.set(tools, signs);
  return signs;
}

interface StopProps extends Pick<QuestionOverview, 'number' | 'standing' | 'flagged' | 'closed'> {
  readonly target: string;
  readonly here: boolean;
  /** The tool that has something there. */
  readonly sign: string | null;
  readonly onGo: (ref: string) => void;
}

/** One question; drawn again only when something about it changed, however much happens elsewhere. */
const Stop = memo(function Stop({ target, number, standing, flagged, closed, here, sign, onGo }: StopProps) {
  const t = useTranslations('trail');
  const ref = useRef<HTMLButtonElement>(null);
  const tools = useTranslations('tools');
  const stop = t('stop', {
    number,
    standing: t(`standing.${standing}`),
    flagged: flagged ? 'yes' : 'no',
    closed: closed ? 'yes' : 'no',
    here: here ? 'yes' : 'no',
  });
  const words = sign === null ? stop : `${stop}, ${tools(`${sign as 'notes'}.sign`)}`;
  useEffect(() => {
    if (!here) return undefined;
    // After the question is painted: scrolling makes the browser lay out everything at once.
    const timer = setTimeout(() => ref.current?.scrollIntoView({ block: 'nearest' }), 0);
    return () => clearTimeout(timer);
  }, [here]);
  return (
    <Press
      ref={ref}
      className={styles.stop}
      data-standing={standing}
      data-flagged={flagged || undefined}
      data-closed={closed || undefined}
      data-sign={sign ?? undefined}
      aria-current={here ? 'step' : undefined}
      aria-label={words}
      title={words}
      onClick={() => onGo(target)}
    >
      {number}
    </Press>
  );
});
