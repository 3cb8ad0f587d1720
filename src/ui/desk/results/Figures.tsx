'use client';

import type { QuestionFigures, TestFigures } from '@/core/wire/results';
import { Table, type TableColumnsType } from 'antd';
import { useTranslations } from 'use-intl';
import entry from '../../entry/entry.module.css';
import { Fact } from '../../entry/SetForYou';
import { Press } from '../../kit/Button';
import desk from '../desk.module.css';
import { useFigures } from '../useFigures';
import { Distribution } from './Distribution';
import { OptionCurves } from './OptionCurves';
import styles from './results.module.css';

/** Whether a test and its questions work, with what each figure means. */
export function Figures({ figures }: { readonly figures: TestFigures }) {
  const t = useTranslations('results.figures');
  const { decimal } = useFigures();
  const { test, n, few } = figures;
  const counted = figures.questions.filter(({ counts }) => counts);
  const trial = figures.questions.filter(({ counts }) => !counts);
  return (
    <>
      <section aria-labelledby="figures" className={desk.rooms}>
        <h2 id="figures">{t('title')}</h2>
        {few && (
          <p className={styles.few}>
            <b>{t('few', { n })}</b>
          </p>
        )}
        <div className={entry.facts}>
          <Fact name={t('n')} value={String(n)} />
          <Fact name={t('mean')} value={decimal(test.mean)} />
          <Fact name={t('sd')} value={decimal(test.sd)} />
          <Fact name={t('alpha')} value={decimal(test.alpha)} note={t('alphaNote', { items: test.items })} />
          <Fact name={t('sem')} value={decimal(test.sem)} />
        </div>
        <Distribution totals={figures.totals} />
      </section>
      <Questions title={t('counted')} id="counted" questions={counted} />
      {trial.length > 0 && <Questions title={t('trial')} id="trial" questions={trial} />}
    </>
  );
}

function Questions({
  title,
  id,
  questions,
}: {
  readonly title: string;
  readonly id: string;
  readonly questions: readonly QuestionFigures[];
}) {
  const t = useTranslations('results.figures');
  const { decimal } = useFigures();
  const number = (
    key: 'difficulty' | 'discrimination' | 'upperLower' | 'alphaWithout',
  ): TableColumnsType<QuestionFigures>[number] => ({
    key,
    title: t(key),
    align: 'right',
    render: (_, row) => decimal(row[key]),
    sorter: (a, b) => (a[key] ?? -2) - (b[key] ?? -2),
  });
  const count = (key: 'n' | 'omitted' | 'notReached'): TableColumnsType<QuestionFigures>[number] => ({
    key,
    title: t(key),
    align: 'right',
    dataIndex: key,
    sorter: (a, b) => a[key] - b[key],
  });
  const columns: TableColumnsType<QuestionFigures> = [
    {
      key: 'question',
      title: t('question'),
      render: (_, row) => (
        <>
          <b>{row.title}</b> <span className={entry.soft}>{row.ref}</span>
          {row.toMark > 0 && <div>{t('toMark', { count: row.toMark })}</div>}
        </>
      ),
      sorter: (a, b) => a.title.localeCompare(b.title),
    },
    count('n'),
    number('difficulty'),
    number('discrimination'),
    number('upperLower'),
    number('alphaWithout'),
    count('omitted'),
    count('notReached'),
    {
      key: 'median',
      title: t('median'),
      align: 'right',
      render: (_, row) => (row.medianMs === null ? '–' : Math.round(row.medianMs / 1000)),
      sorter: (a, b) => (a.medianMs ?? -1) - (b.medianMs ?? -1),
    },
  ];
  return (
    <section aria-labelledby={id} className={desk.rooms}>
      <h2 id={id}>{title}</h2>
      <Table
        className={entry.table}
        columns={columns}
        dataSource={questions.map((row) => ({ ...row, key: row.ref }))}
        pagination={false}
        scroll={{ x: 'max-content' }}
        showSorterTooltip={false}
        expandable={{
          columnTitle: <span className="visually-hidden">{t('options')}</span>,
          rowExpandable: ({ options }) => options.length > 0,
          expandedRowRender: (row) => <Options question={row} />,
          expandIcon: ({ expanded, onExpand, record, expandable }) =>
            expandable && (
              <Press
                className={styles.expand}
                aria-expanded={expanded}
                aria-label={t('optionsOf', { question: record.title })}
                onClick={(event) => onExpand(record, event)}
              >
                {expanded ? '−' : '+'}
              </Press>
            ),
        }}
        locale={{ emptyText: t('empty') }}
      />
      <p className={styles.meaning}>{t('meaning')}</p>
    </section>
  );
}

/** What was chosen, by whom in the rest of the test, and at which level of it. */
function Options({ question }: { readonly question: QuestionFigures }) {
  const t = useTranslations('results.figures');
  const { decimal, percent } = useFigures();
  const curves = useTranslations('results.curves');
  const groups = question.options[0]?.curve ?? [];
  return (
    <>
      <table className={entry.score}>
        <caption>{t('optionsOf', { question: question.title })}</caption>
        <thead>
          <tr>
            <th scope="col">{t('option')}</th>
            <th scope="col">{t('chosenBy')}</th>
            <th scope="col">{t('share')}</th>
            <th scope="col">{t('pointBiserial')}</th>
            {groups.map((_, g) => (
              <th key={g} scope="col">
                {curves('group', { number: g + 1 })}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {question.options.map((one) => (
            <tr key={one.option}>
              <th scope="row">
                {groups.length > 0 && <b>{one.option}: </b>}
                {one.words} {one.right && <b>{t('right')}</b>}
              </th>
              <td>{one.n}</td>
              <td>{percent(one.share)}</td>
              <td>{decimal(one.pointBiserial)}</td>
              {one.curve.map((share, g) => (
                <td key={g}>{percent(share)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <OptionCurves options={question.options} />
    </>
  );
}
