'use client';

import { ChevronDown } from 'lucide-react';
import { memo, useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { QuestionOverview } from '@/core/attempt/overview';
import { useHandler } from '../../kit/useHandler';
import type { AttemptState } from '@/core/attempt/state';
import { own } from '@/core/own';
import { useAttempt, usePlayer } from '../../attempt/PlayerContext';
import { toolsOn } from '../../tools';
import styles from './trail.module.css';
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
  const [open, setOpen] = useState(false);
  const narrow = layout === 'narrow';
  const done = questions.filter((one) => one.standing === 'done').length;
  const here = questions.find((one) => one.ref === current);
  const byRef = new Map(questions.map((one) => [one.ref, one]));
  const visible = !narrow || open;
  const go = useHandler((ref: string) => {
    setOpen(false);
    onGo(ref);
  });

  const lookOver = (
    <Press
      className={styles.review}
      onClick={() => {
        setOpen(false);
        onReview();
      }}
      title={t('reviewHint')}
    >
      <b>{t('count', { done, total: questions.length })}</b>
      {t('review')}
    </Press>
  );

  return (
    <nav className={styles.trail} aria-label={t('label')} data-narrow={narrow || undefined}>
      {narrow && (
        <Press
          className={styles.toggle}
          aria-expanded={open}
          aria-label={
            here && tight ? t('where', { number: here.number, total: questions.length }) : undefined
          }
          onClick={() => setOpen(!open)}
        >
          {here
            ? t(tight ? 'whereShort' : 'where', { number: here.number, total: questions.length })
            : t('label')}
          <ChevronDown size="1.1em" aria-hidden="true" />
        </Press>
      )}
      {visible && (
        <div className={styles.line}>
          {test.parts.flatMap((part) =>
            part.sections.map((section) => (
              <section
                key={section.items[0]}
                className={styles.section}
                aria-label={section.title || undefined}
              >
                {section.title !== '' && (
                  <p className={styles.legend} aria-hidden="true">
                    {section.title}
                  </p>
                )}
                <ol className={styles.stops}>
                  {section.items.map((ref) => {
                    const question = byRef.get(ref);
                    return (
                      question && (
                        <li key={ref}>
                          <Stop
                            target={ref}
                            number={question.number}
                            standing={question.standing}
                            flagged={question.flagged}
                            here={ref === current}
                            sign={own(signs, ref) ?? null}
                            onGo={go}
                          />
                        </li>
                      )
                    );
                  })}
                </ol>
              </section>
            )),
          )}
          {narrow && lookOver}
        </div>
      )}
      {!narrow && lookOver}
    </nav>
  );
}

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

interface StopProps extends Pick<QuestionOverview, 'number' | 'standing' | 'flagged'> {
  readonly target: string;
  readonly here: boolean;
  /** The tool that has something there. */
  readonly sign: string | null;
  readonly onGo: (ref: string) => void;
}

/** One question; drawn again only when something about it changed, however much happens elsewhere. */
const Stop = memo(function Stop({ target, number, standing, flagged, here, sign, onGo }: StopProps) {
  const t = useTranslations('trail');
  const ref = useRef<HTMLButtonElement>(null);
  const tools = useTranslations('tools');
  const stop = t('stop', {
    number,
    standing: t(`standing.${standing}`),
    flagged: flagged ? 'yes' : 'no',
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
