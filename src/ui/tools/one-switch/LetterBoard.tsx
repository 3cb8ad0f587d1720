'use client';

import { useTranslations } from 'use-intl';
import { Press } from '../../kit/Button';
import { setValue } from './controls';
import styles from './oneSwitch.module.css';

/** Rows of what can be written, what is used most first in each (order of the alphabet, so that it is found again). */
const ROWS = [
  [...'abcdef'],
  [...'ghijkl'],
  [...'mnopqr'],
  [...'stuvwxyz'],
  [...'01234'],
  [...'56789'],
  [...'.,?!-+'],
  [...'/*=()^'],
];

interface Props {
  /** What is written into. */
  readonly into: HTMLElement;
  readonly onDone: () => void;
}

/** Letters to be chosen one by one, for whoever has no keyboard: they go where the student was writing. */
export function LetterBoard({ into, onDone }: Props) {
  const t = useTranslations('tools.one-switch');
  const write = (text: string | null) => {
    into.focus();
    if (into instanceof HTMLInputElement || into instanceof HTMLTextAreaElement)
      return setValue(into, text === null ? [...into.value].slice(0, -1).join('') : into.value + text);
    // An editor of its own takes what is typed through the browser's own editing (HTML, contenteditable).
    return document.execCommand(text === null ? 'delete' : 'insertText', false, text ?? undefined);
  };
  return (
    <section className={styles.board} data-scan-board="" aria-label={t('board')}>
      {ROWS.map((row) => (
        <div key={row.join('')} className={styles.letters}>
          {row.map((letter) => (
            <Press key={letter} onClick={() => write(letter)}>
              {letter}
            </Press>
          ))}
        </div>
      ))}
      <div className={styles.letters}>
        <Press onClick={() => write(' ')}>{t('blank')}</Press>
        <Press onClick={() => write(null)}>{t('erase')}</Press>
        <Press onClick={onDone}>{t('done')}</Press>
      </div>
    </section>
  );
}
