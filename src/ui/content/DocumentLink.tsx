'use client';

import { createContext, useContext, type ReactNode } from 'react';
import { Press } from '../kit/Button';
import styles from './content.module.css';

/** Opens a document of the package by its path; null where none can be opened, so that a link is its words. */
export const OpenDocument = createContext<((path: string, words: string) => void) | null>(null);

/** A link to a document of the package: it opens inside the page, and nothing is left for it. */
export function DocumentLink({ path, children }: { path: string; children: ReactNode }) {
  const open = useContext(OpenDocument);
  if (!open) return <>{children}</>;
  return (
    <Press
      className={styles.document}
      aria-haspopup="dialog"
      onClick={(event) => {
        // In a choice it opens, and chooses nothing.
        event.preventDefault();
        event.stopPropagation();
        open(path, event.currentTarget.textContent);
      }}
    >
      {children}
    </Press>
  );
}
