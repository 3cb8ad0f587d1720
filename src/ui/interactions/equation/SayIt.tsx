'use client';

import { Volume2 } from 'lucide-react';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import styles from './equation.module.css';
import { Button } from '../../kit/Button';

/** The answer in words: written below, said by the screen reader, and spoken where the device has a voice. */
export function SayIt({ words, announce }: { words: () => string; announce: (words: string) => void }) {
  const t = useTranslations('interactions.equation');
  const [said, setSaid] = useState<string | null>(null);
  return (
    <span className={styles.say}>
      <Button
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
      </Button>
      {said !== null && <span className={styles.said}>{said}</span>}
    </span>
  );
}
