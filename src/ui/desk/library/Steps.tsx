import type { TriedAnswer } from '@/core/wire/library';
import { useTranslations } from 'use-intl';
import entry from '../../entry/entry.module.css';
import styles from './library.module.css';

type Step = TriedAnswer['steps'][number];

/** What an answer is worth: every outcome, and the rules that made it so, in their order. */
export function Steps({ worth: { steps, outcomes, scoredBy } }: { readonly worth: TriedAnswer }) {
  const t = useTranslations('library.question');
  return (
    <>
      <table className={entry.score}>
        <caption className="visually-hidden">{t('outcomes')}</caption>
        <thead>
          <tr>
            <th scope="col">{t('outcome')}</th>
            <th scope="col">{t('value')}</th>
          </tr>
        </thead>
        <tbody>
          {outcomes.map(({ identifier, value }) => (
            <tr key={identifier}>
              <th scope="row">{identifier}</th>
              <td>{value}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {scoredBy !== 'machine' && <p>{t(scoredBy === 'person' ? 'byPerson' : 'byBoth')}</p>}
      <h3>{t('steps')}</h3>
      {steps.length === 0 ? (
        <p>{t('noSteps')}</p>
      ) : (
        <ol className={styles.steps}>
          {steps.map((step, i) => (
            <li key={i}>
              <StepWords step={step} />
            </li>
          ))}
        </ol>
      )}
    </>
  );
}

function StepWords({ step }: { readonly step: Step }) {
  const t = useTranslations('library.question.step');
  const where = step.line > 0 ? t('line', { line: step.line }) : '';
  const code = (words: string) => <code>{words}</code>;
  switch (step.does) {
    case 'if':
      return (
        <>
          {code(step.expression)} {t(step.holds ? 'holds' : 'holdsNot')} {where}
        </>
      );
    case 'set':
      return (
        <>
          {code(`${step.identifier} = ${step.value}`)} {t('set')} {code(step.expression)} {where}
        </>
      );
    default:
      return t(step.does);
  }
}
