import { ChevronRight } from 'lucide-react';
import type { ReactNode } from 'react';
import styles from './fold.module.css';

interface Props {
  /** What it is called, open and closed. */
  readonly title: ReactNode;
  readonly open?: boolean;
  readonly className?: string;
  readonly children: ReactNode;
}

/** Something that is folded away until it is pressed: the browser's own, with a mark that shows it, as large as any other button. */
export function Fold({ title, open, className = '', children }: Props) {
  return (
    <details className={`${styles.fold} ${className}`} open={open}>
      <summary>
        <ChevronRight size="1.1em" aria-hidden="true" />
        {title}
      </summary>
      {children}
    </details>
  );
}
