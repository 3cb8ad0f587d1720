'use client';

import { Button, Empty } from 'antd';
import { useTranslations } from 'use-intl';
import type { Act } from '@/core/access/access';
import type { MarkingRule } from '@/core/marking/marking';
import type { Agreement } from '@/core/statistics/agreement';
import entry from '../../entry/entry.module.css';
import { DeskPage } from '../DeskPage';
import { useFigures } from '../useFigures';
import { Readers } from './Readers';
import styles from './marking.module.css';

export interface QuestionRow {
  readonly testId: number;
  readonly test: string;
  readonly ref: string;
  readonly title: string;
  readonly rule: MarkingRule;
  readonly answers: number;
  readonly done: number;
  readonly forYou: number;
  readonly agreement: Agreement | null;
}
interface Props {
  readonly name: string;
  readonly acts: readonly Act[];
  readonly questions: readonly QuestionRow[];
}

/** The questions whose answers a person marks, test by test, with how far that is. */
export function MarkingList({ name, acts, questions }: Props) {
  return (
    <DeskPage name={name} acts={acts} place="marking">
      <Tests questions={questions} mayRule={acts.includes('see-results')} />
    </DeskPage>
  );
}

function Tests({ questions, mayRule }: Pick<Props, 'questions'> & { readonly mayRule: boolean }) {
  const t = useTranslations('marking');
  const tests = [...new Map(questions.map((one) => [one.testId, one])).values()];
  return (
    <>
      <h1>{t('title')}</h1>
      <p className={entry.soft}>{t('text')}</p>
      {questions.length === 0 && <Empty description={t('empty')} image={Empty.PRESENTED_IMAGE_SIMPLE} />}
      {tests.map(({ testId, test, rule }) => (
        <section key={testId} aria-labelledby={`test-${testId}`} className={styles.test}>
          <h2 id={`test-${testId}`}>{test}</h2>
          {mayRule && <Readers testId={testId} rule={rule} />}
          <ul className={styles.questions}>
            {questions
              .filter((one) => one.testId === testId)
              .map((one) => (
                <Question key={one.ref} question={one} />
              ))}
          </ul>
        </section>
      ))}
    </>
  );
}

function Question({ question }: { readonly question: QuestionRow }) {
  const { testId, title, answers, done, forYou, agreement } = question;
  const t = useTranslations('marking');
  const figures = useFigures();
  return (
    <li className={styles.question}>
      <div>
        <h3>{title}</h3>
        <p>{t('progress', { answers, done })}</p>
        {agreement && (
          <p className={entry.soft}>
            {t('agreement', {
              n: agreement.n,
              exact: figures.percent(agreement.exact),
              adjacent: figures.percent(agreement.adjacent),
              kappa: figures.decimal(agreement.kappa),
              quadratic: figures.decimal(agreement.quadraticKappa),
            })}
          </p>
        )}
      </div>
      {forYou > 0 ? (
        <Button
          type="primary"
          size="large"
          href={`/desk/marking/${testId}/${encodeURIComponent(question.ref)}`}
          aria-label={t('markOf', { title, count: forYou })}
        >
          {t('mark', { count: forYou })}
        </Button>
      ) : (
        <span className={entry.soft}>{t('nothingForYou')}</span>
      )}
    </li>
  );
}
