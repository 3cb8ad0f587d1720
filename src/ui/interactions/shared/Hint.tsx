import type { ReactNode } from 'react';
import shared from '../shared.module.css';

/**
 * How a question is operated; it stands above what is worked on, where it is read first.
 * @param changes its words follow what is done, so that it keeps room for two lines where it may need them, and nothing below moves;
 * `long`: where the longest of them needs two also on a wide sheet
 */
export function Hint({
  changes,
  children,
}: {
  readonly changes?: true | 'long';
  readonly children: ReactNode;
}) {
  return (
    <p data-operate="" className={shared.hint} data-changes={changes}>
      {children}
    </p>
  );
}
