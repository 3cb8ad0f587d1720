'use client';

import { Button } from 'antd';
import { Check, CircleDashed, CircleSlash, Contrast, X } from 'lucide-react';
import { useFormatter, useTranslations } from 'use-intl';
import type { Content } from '@/core/content/content';
import type { AccessNeeds } from '@/core/needs';
import type { Points } from '@/core/sitting/points';
import { ContentView } from '../content/ContentView';
import { assetAddress } from '../player/useAssets';
import styles from './entry.module.css';
import { Page } from './Page';
import { roundPoints, usePointsWords } from './usePointsWords';

export type Verdict = 'right' | 'partly' | 'wrong' | 'not-answered' | 'not-marked';
export interface Result {
  readonly title: string;
  readonly handedInAt: number;
  readonly points: Points;
  readonly notMarked: number;
  /** What the test says at its end. */
  readonly feedback: readonly { readonly title: string; readonly content: Content }[];
  readonly questions: readonly {
    readonly number: number;
    readonly verdict: Verdict;
    readonly score: number | null;
    readonly maximum: number | null;
  }[];
}

export const ICONS = {
  right: Check,
  partly: Contrast,
  wrong: X,
  'not-answered': CircleSlash,
  'not-marked': CircleDashed,
};

interface ScoreProps {
  readonly name: string;
  readonly needs: AccessNeeds;
  readonly result: Result;
  /** Where the answers can be looked at again. */
  readonly answersHref: string;
  readonly attemptId: string;
}

/** The score, question by question: right, partly, not, not answered, not marked yet. */
export function Score({ name, needs, result, ...where }: ScoreProps) {
  return (
    <Page name={name} needs={needs}>
      <ScoreTable result={result} {...where} />
    </Page>
  );
}

function ScoreTable({ result, answersHref, attemptId }: Omit<ScoreProps, 'name' | 'needs'>) {
  const assetUrl = (path: string) => assetAddress(attemptId, path);
  const t = useTranslations('score');
  const format = useFormatter();
  const date = format.dateTime(new Date(result.handedInAt), { dateStyle: 'long', timeStyle: 'short' });
  const words = usePointsWords();
  return (
    <>
      <h1>{t('title')}</h1>
      <p className={styles.soft}>{t('handedIn', { title: result.title, date })}</p>
      <p className={styles.points}>{words(result.points)}</p>
      {result.feedback.map(({ title, content }, i) => (
        <section key={i} className={styles.directions}>
          {title !== '' && <h2>{title}</h2>}
          <ContentView content={content} slots={{ assetUrl }} />
        </section>
      ))}
      {result.notMarked > 0 && <p>{t('notMarked', { count: result.notMarked })}</p>}
      {result.points.ownRule && <p>{t('ownRule')}</p>}
      <table className={styles.score}>
        <caption className="visually-hidden">{t('caption')}</caption>
        <thead>
          <tr>
            <th scope="col">{t('question')}</th>
            <th scope="col">{t('result')}</th>
            <th scope="col">{t('pointsHead')}</th>
          </tr>
        </thead>
        <tbody>
          {result.questions.map(({ number, verdict, score, maximum }) => {
            const Icon = ICONS[verdict];
            return (
              <tr key={number} data-verdict={verdict}>
                <th scope="row">{t('number', { number })}</th>
                <td>
                  <span className={styles.verdict}>
                    <Icon size="1.2em" aria-hidden="true" />
                    {t(`verdict.${verdict}`)}
                  </span>
                </td>
                <td>
                  {maximum !== null &&
                    (verdict === 'not-marked'
                      ? t('pointsLater', { maximum })
                      : t('pointsOf', { score: roundPoints(score ?? 0), maximum }))}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className={styles.ways}>
        <Button size="large" type="primary" href={answersHref}>
          {t('answers')}
        </Button>
        <Button size="large" href="/tests">
          {t('back')}
        </Button>
      </p>
    </>
  );
}
