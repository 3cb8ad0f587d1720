import type { ReactNode } from 'react';
import shared from '../shared.module.css';

/**
 * How a question is operated; it stands above what is worked on, where it is read first.
 * @param changes its words follow what is done, so that it keeps room for two lines and nothing below moves
 */
export function Hint({
  changes = false,
  children,
}: {
  readonly changes?: boolean;
  readonly children: ReactNode;
}) {
  return (
    <p data-operate="" className={shared.hint} data-changes={changes || undefined}>
      {children}
    </p>
  );
}
