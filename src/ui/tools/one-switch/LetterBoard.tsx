'use client';

import { useEffect, useState } from 'react';
import { useTranslations } from 'use-intl';
import { Press } from '../../kit/Button';
import { setValue } from './controls';
import styles from './oneSwitch.module.css';

/** Rows of what can be written: letters in the order of the alphabet, so that they are found again; numbers and signs beside them. */
const LETTERS = [[...'abcdef'], [...'ghijkl'], [...'mnopqr'], [...'stuvwxyz']];
const SIGNS = [[...'01234'], [...'56789'], [...'.,?!-+'], [...'/*=()^']];

interface Props {
  /** What is written into. */
  readonly into: HTMLElement;
  readonly onDone: () => void;
}

/** Letters to be chosen one by one, for whoever has no keyboard: they go where the student was writing. */
export function LetterBoard({ into, onDone }: Props) {
  const t = useTranslations('tools.one-switch');
  const [written, setWritten] = useState(() => textIn(into));
  // What is written into stays in sight above the board.
  useEffect(() => {
    into.scrollIntoView({ block: 'start' });
  }, [into]);
  const write = (text: string | null) => {
    into.focus();
    if (into instanceof HTMLInputElement || into instanceof HTMLTextAreaElement)
      setValue(into, text === null ? [...into.value].slice(0, -1).join('') : into.value + text);
    // An editor of its own takes what is typed through the browser's own editing (HTML, contenteditable).
    else document.execCommand(text === null ? 'delete' : 'insertText', false, text ?? undefined);
    setWritten(textIn(into));
  };
  const rows = (all: readonly (readonly string[])[]) => (
    <div>
      {all.map((row) => (
        <div key={row.join('')} className={styles.letters} data-scan-row="">
          {row.map((letter) => (
            <Press key={letter} onClick={() => write(letter)}>
              {letter}
            </Press>
          ))}
        </div>
      ))}
    </div>
  );
  return (
    <section className={styles.board} data-scan-board="" aria-label={t('board')}>
      <output className={styles.written}>{written}</output>
      <div className={styles.halves}>
        {rows(LETTERS)}
        {rows(SIGNS)}
      </div>
      <div className={styles.letters} data-scan-row="">
        <Press onClick={() => write(' ')}>{t('blank')}</Press>
        <Press onClick={() => write(null)}>{t('erase')}</Press>
        <Press onClick={onDone}>{t('done')}</Press>
      </div>
    </section>
  );
}

const textIn = (element: HTMLElement): string =>
  'value' in element && typeof element.value === 'string' ? element.value : element.innerText;
