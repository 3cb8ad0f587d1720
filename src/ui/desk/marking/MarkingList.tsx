'use client';

import type { DeskUser } from '@/core/wire/desk';
import type { QuestionToMark } from '@/core/wire/marking';
import { Button, Empty, Space } from 'antd';
import { useTranslations } from 'use-intl';
import entry from '../../entry/entry.module.css';
import { DeskPage } from '../DeskPage';
import { useFigures } from '../useFigures';
import { Readers } from './Readers';
import desk from '../desk.module.css';
import styles from './marking.module.css';

interface Props {
  readonly user: DeskUser;
  readonly questions: readonly QuestionToMark[];
}

/** The questions whose answers a person marks, test by test, with how far that is. */
export function MarkingList({ user, questions }: Props) {
  return (
    <DeskPage user={user} place="marking">
      <Tests questions={questions} mayRule={user.acts.includes('see-results')} />
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
          <ul className={desk.cards}>
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

function Question({ question }: { readonly question: QuestionToMark }) {
  const { testId, title, answers, done, forYou, byYou, agreement } = question;
  const address = `/desk/marking/${testId}/${encodeURIComponent(question.ref)}`;
  const t = useTranslations('marking');
  const figures = useFigures();
  return (
    <li className={desk.card}>
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
      <Space wrap>
        {byYou > 0 && (
          <Button size="large" href={`${address}?again`} aria-label={t('againOf', { title, count: byYou })}>
            {t('again', { count: byYou })}
          </Button>
        )}
        {forYou > 0 ? (
          <Button
            type="primary"
            size="large"
            href={address}
            aria-label={t('markOf', { title, count: forYou })}
          >
            {t('mark', { count: forYou })}
          </Button>
        ) : (
          <span className={entry.soft}>{t('nothingForYou')}</span>
        )}
      </Space>
    </li>
  );
}
