'use client';

import { useState } from 'react';
import { useTranslations } from 'use-intl';
import styles from './extendedText.module.css';
import { Button } from '../../kit/Button';
import { Fold } from '../../kit/Fold';

interface Props {
  readonly wrong: Readonly<Record<string, readonly string[]>>;
  readonly onReplace: (wrong: string, right: string) => void;
}

/** The words to look at, each with its suggestions as buttons; a word can be kept as it is. Nothing is changed by itself. */
export function SpellingHints({ wrong, onReplace }: Props) {
  const t = useTranslations('interactions.extendedText');
  const [kept, setKept] = useState<readonly string[]>([]);
  const entries = Object.entries(wrong).filter(([word]) => !kept.includes(word));
  return (
    <Fold className={styles.hints} title={t('spelling', { count: entries.length })}>
      <ul>
        {entries.map(([word, suggestions]) => (
          <li key={word}>
            <b>{word}</b>
            {suggestions.length === 0 && <span>{t('noIdea')}</span>}
            {suggestions.map((right) => (
              <Button
                key={right}

                aria-label={t('replace', { word: right, wrong: word })}
                onClick={() => onReplace(word, right)}
              >
                {right}
              </Button>
            ))}
            <Button look="quiet" onClick={() => setKept([...kept, word])}>
              {t('keep', { wrong: word })}
            </Button>
          </li>
        ))}
      </ul>
    </Fold>
  );
}
