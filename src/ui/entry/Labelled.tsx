'use client';

import { useId, type ReactNode } from 'react';
import styles from './entry.module.css';

/** A field with its name above. What stands inside a field (a hint, an arrow, a cross) is no part of the name. */
export function Labelled({
  label,
  children,
}: {
  readonly label: string;
  readonly children: (id: string) => ReactNode;
}) {
  const id = useId();
  return (
    <div className={styles.labelled}>
      <label htmlFor={id}>{label}</label>
      {children(id)}
    </div>
  );
}
