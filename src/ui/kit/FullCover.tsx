'use client';

import { useEffect, useRef, type ReactNode } from 'react';
import styles from './fullCover.module.css';
import { useFocusBack } from './useFocusBack';

interface Props {
  readonly label: string;
  /** At the foot of the screen, or in its middle. */
  readonly place: 'foot' | 'middle';
  /** Escape asks for it to go; where nothing is given it stays. */
  readonly onBack?: () => void;
  readonly children: ReactNode;
}

/** The whole screen covered, an open dialog too; the focus is where it was when it goes. */
export function FullCover({ label, place, onBack, children }: Props) {
  const ref = useRef<HTMLDialogElement>(null);
  useFocusBack();
  useEffect(() => {
    const dialog = ref.current;
    dialog?.showModal();
    return () => dialog?.close();
  }, []);
  return (
    <dialog
      ref={ref}
      className={styles.cover}
      data-place={place}
      aria-label={label}
      onCancel={(event) => {
        event.preventDefault();
        onBack?.();
      }}
      // A browser closes it at the second Escape whatever is said to the first.
      onClose={() => ref.current?.isConnected && ref.current.showModal()}
    >
      {children}
    </dialog>
  );
}
