'use client';

import { Volume2 } from 'lucide-react';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import shared from '../shared.module.css';
import styles from './equation.module.css';

/** The answer in words: written below, said by the screen reader, and spoken where the device has a voice. */
export function SayIt({ words, announce }: { words: () => string; announce: (words: string) => void }) {
  const t = useTranslations('interactions.equation');
  const [said, setSaid] = useState<string | null>(null);
  return (
    <span className={styles.say}>
      <button
        type="button"
        className={shared.button}
        onClick={() => {
          const text = words();
          setSaid(text);
          announce(text);
          if ('speechSynthesis' in window && window.speechSynthesis.getVoices().length > 0) {
            window.speechSynthesis.cancel();
            window.speechSynthesis.speak(new SpeechSynthesisUtterance(text));
          }
        }}
      >
        <Volume2 size="1.1em" aria-hidden="true" /> {t('sayIt')}
      </button>
      {said !== null && <span className={styles.said}>{said}</span>}
    </span>
  );
}
