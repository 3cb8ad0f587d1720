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

export type Verdict = 'right' | 'partly' | 'wrong' | 'not-answered' | 'not-marked' | 'never-marked';
export interface Result {
  readonly title: string;
  readonly handedInAt: number;
  /** Null where nothing but thanks is told. */
  readonly points: Points | null;
  readonly tells: 'thanks' | 'score' | 'answers';
  /** Nobody marks what a person would read, and it is in no results. */
  readonly practice: boolean;
  readonly needed: number | null;
  readonly notMarked: number;
  readonly parts: readonly {
    readonly title: string;
    readonly score: number;
    readonly maximum: number;
    readonly later: number;
  }[];
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
  'never-marked': CircleDashed,
};

interface ScoreProps {
  readonly name: string;
  readonly needs: AccessNeeds;
  readonly result: Result;
  /** Where the answers can be looked at again. */
  readonly answersHref: string;
  readonly attemptId: string;
  /** A teacher has tried it out: the way back is to the library. */
  readonly tries: boolean;
}

/** The score, question by question: right, partly, not, not answered, not marked yet. */
export function Score({ name, needs, result, ...where }: ScoreProps) {
  return (
    <Page name={name} needs={needs}>
      <ScoreTable result={result} {...where} />
    </Page>
  );
}

/** The points that are needed, and whether they are there. */
function Needed({ points, needed, practice }: { points: Points; needed: number; practice: boolean }) {
  const t = useTranslations('score.needed');
  const has = points.score >= needed ? 'reached' : points.later > 0 ? 'later' : 'not';
  return (
    <p>
      {t('is', { points: roundPoints(needed) })} <b>{t(has === 'later' && practice ? 'unread' : has)}</b>
    </p>
  );
}

/** What each part is worth. */
function PartPoints({ parts, practice }: Pick<Result, 'parts' | 'practice'>) {
  const t = useTranslations('score');
  const stages = useTranslations('stages');
  const words = usePointsWords(practice);
  return (
    <section aria-labelledby="parts">
      <h2 id="parts">{t('parts')}</h2>
      <ul>
        {parts.map(({ title, ...points }, i) => (
          <li key={i}>
            {title === '' ? stages('part', { number: i + 1 }) : title}: {words(points)}
          </li>
        ))}
      </ul>
    </section>
  );
}

function ScoreTable({ result, answersHref, attemptId, tries }: Omit<ScoreProps, 'name' | 'needs'>) {
  const assetUrl = (path: string) => assetAddress(attemptId, path);
  const t = useTranslations('score');
  const format = useFormatter();
  const date = format.dateTime(new Date(result.handedInAt), { dateStyle: 'long', timeStyle: 'short' });
  const { points, needed, parts, tells, practice } = result;
  const words = usePointsWords(practice);
  return (
    <>
      <h1>{t(points ? 'title' : 'thanks')}</h1>
      <p className={styles.soft}>{t('handedIn', { title: result.title, date })}</p>
      {points ? (
        <p className={styles.points}>{words(points)}</p>
      ) : (
        <p>{t(practice ? 'practice.thanksText' : 'thanksText')}</p>
      )}
      {points && needed !== null && <Needed points={points} needed={needed} practice={practice} />}
      {result.feedback.map(({ title, content }, i) => (
        <section key={i} className={styles.directions}>
          {title !== '' && <h2>{title}</h2>}
          <ContentView content={content} slots={{ assetUrl }} />
        </section>
      ))}
      {result.notMarked > 0 && (
        <p>{t(practice ? 'practice.notMarked' : 'notMarked', { count: result.notMarked })}</p>
      )}
      {points?.ownRule && <p>{t('ownRule')}</p>}
      {parts.length > 0 && <PartPoints parts={parts} practice={practice} />}
      {points && <QuestionTable questions={result.questions} />}
      <p className={styles.ways}>
        {tells === 'answers' && (
          <Button size="large" type="primary" href={answersHref}>
            {t('answers')}
          </Button>
        )}
        <Button size="large" href={tries ? '/desk/library' : '/tests'}>
          {t(tries ? 'backToLibrary' : 'back')}
        </Button>
      </p>
    </>
  );
}

function QuestionTable({ questions }: Pick<Result, 'questions'>) {
  const t = useTranslations('score');
  return (
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
        {questions.map(({ number, verdict, score, maximum }) => {
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
                  (verdict === 'never-marked'
                    ? t('practice.pointsOf', { maximum })
                    : verdict === 'not-marked'
                      ? t('pointsLater', { maximum })
                      : t('pointsOf', { score: roundPoints(score ?? 0), maximum }))}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
