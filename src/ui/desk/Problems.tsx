import { useTranslations } from 'use-intl';
import type { Problem } from '@/core/xml/problem';
import styles from './desk.module.css';

/** So many problems are shown; the rest is counted. */
const SHOWN = 200;

/** What is wrong with a file, by file and line; what is only to be known is told too. */
export function Problems({ problems }: { readonly problems: readonly Problem[] }) {
  const t = useTranslations('desk.problems');
  if (problems.length === 0) return null;
  return (
    <ul className={styles.problems}>
      {problems.slice(0, SHOWN).map((one, i) => (
        <li key={i}>
          <b>{t(one.severity === 'error' ? 'error' : 'note')}</b> {one.file}
          {one.line > 0 && `, ${t('line', { line: one.line })}`}: <span lang="en">{one.message}</span>
        </li>
      ))}
      {problems.length > SHOWN && <li>{t('more', { count: problems.length - SHOWN })}</li>}
    </ul>
  );
}
