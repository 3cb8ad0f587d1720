'use client';

import { Button } from 'antd';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { DeliveredItem, DeliveredTest } from '@/core/item/delivered';
import type { RawResponse } from '@/core/content/response';
import type { AccessNeeds } from '@/core/needs';
import { assetAddress } from '../player/useAssets';
import { useLayout } from '../player/useLayout';
import { AnswerView } from './AnswerView';
import { InWords } from './InWords';
import { Passages } from './Passages';
import styles from './entry.module.css';
import { Page } from './Page';
import { ICONS, type Verdict } from './Score';
import { roundPoints } from './usePointsWords';
import { Press } from '../kit/Button';
import { Fold } from '../kit/Fold';

interface Question {
  readonly number: number;
  readonly verdict: Verdict;
  readonly score: number | null;
  readonly maximum: number | null;
  readonly item: DeliveredItem;
  readonly responses: Readonly<Record<string, RawResponse>>;
  readonly solution: Readonly<Record<string, RawResponse>> | null;
  readonly marks: Readonly<Record<string, boolean>>;
}
export interface AnswersProps {
  readonly name: string;
  readonly needs: AccessNeeds;
  readonly attemptId: string;
  readonly title: string;
  readonly questions: readonly Question[];
  readonly stimuli: DeliveredTest['stimuli'];
}

/** After handing in: question by question, the answer as it was handed in and, where the test shows it, a right one. */
export function Answers({ name, needs, ...rest }: AnswersProps) {
  return (
    <Page name={name} needs={needs}>
      <Questions {...rest} magnification={needs.magnification} back={`/attempts/${rest.attemptId}/score`} />
    </Page>
  );
}

/** The questions of an attempt that is over, one at a time, with a way back to where one comes from. */
export function Questions({
  attemptId,
  title,
  questions,
  stimuli,
  magnification,
  back,
  student,
}: Omit<AnswersProps, 'name' | 'needs'> & {
  readonly magnification: number;
  readonly back: string;
  /** Whose they are, where whoever looks at them is somebody else. */
  readonly student?: string;
}) {
  const { layout } = useLayout(magnification);
  const t = useTranslations('answers');
  const score = useTranslations('score');
  const [at, setAt] = useState(0);
  const question = questions[at];
  const passages = question?.item.stimuli ?? [];
  const assetUrl = (path: string) => assetAddress(attemptId, path);
  return (
    <>
      <h1>{student === undefined ? t('title') : t('titleOf', { student })}</h1>
      <p className={styles.soft}>{title}</p>
      {!question && <p>{t('none')}</p>}
      <nav className={styles.numbers} aria-label={t('list')}>
        {questions.map((one, i) => {
          const Icon = ICONS[one.verdict];
          return (
            <Press
              key={one.number}
              className={styles.number}
              aria-current={i === at ? 'true' : undefined}
              aria-label={`${t('question', { number: one.number })}: ${score(`verdict.${one.verdict}`)}`}
              onClick={() => setAt(i)}
            >
              {one.number}
              <Icon size="0.9em" aria-hidden="true" />
            </Press>
          );
        })}
      </nav>
      <div className={styles.beside} data-beside={(passages.length > 0 && layout === 'wide') || undefined}>
        <Passages names={passages} stimuli={stimuli} assetUrl={assetUrl} />
        {question && (
          // One question's answer is nothing of another's.
          <section
            key={question.number}
            className={styles.answer}
            aria-label={t('question', { number: question.number })}
          >
            <h2>{t('question', { number: question.number })}</h2>
            <p>
              {question.maximum === null ||
              question.verdict === 'not-marked' ||
              question.verdict === 'never-marked'
                ? score(`verdict.${question.verdict}`)
                : t('verdict', {
                    verdict: score(`verdict.${question.verdict}`),
                    score: roundPoints(question.score ?? 0),
                    maximum: question.maximum,
                  })}
            </p>
            <h3>{student === undefined ? t('yours') : t('theirs')}</h3>
            <AnswerView
              item={question.item}
              responses={question.responses}
              assetUrl={assetUrl}
              marks={question.marks}
            />
            <InWords item={question.item} responses={question.responses} />
            {question.solution && (
              <Fold className={styles.solution} open title={t('solution')}>
                <AnswerView
                  item={{ ...question.item, ref: `${question.item.ref}-solution` }}
                  responses={question.solution}
                  assetUrl={assetUrl}
                />
                <InWords item={question.item} responses={question.solution} />
              </Fold>
            )}
          </section>
        )}
      </div>
      <p className={styles.ways}>
        <Button size="large" disabled={at === 0} onClick={() => setAt(at - 1)}>
          {t('before')}
        </Button>
        <Button size="large" disabled={at >= questions.length - 1} onClick={() => setAt(at + 1)}>
          {t('next')}
        </Button>
        <Button size="large" href={back}>
          {student === undefined ? t('back') : t('backToResults')}
        </Button>
      </p>
    </>
  );
}
