'use client';

import { Volume2 } from 'lucide-react';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Announce } from '../../kit/speech';
import styles from './equation.module.css';
import { Button } from '../../kit/Button';

/** The answer in words: written below, said by the screen reader, and spoken where the device has a voice. */
export function SayIt({ words, announce }: { words: string; announce: Announce }) {
  const t = useTranslations('interactions.equation');
  const [shown, setShown] = useState(false);
  return (
    <span className={styles.say}>
      <Button
        onClick={() => {
          setShown(true);
          announce(words);
          if ('speechSynthesis' in window && window.speechSynthesis.getVoices().length > 0) {
            window.speechSynthesis.cancel();
            window.speechSynthesis.speak(new SpeechSynthesisUtterance(words));
          }
        }}
      >
        <Volume2 size="1.1em" aria-hidden="true" /> {t('sayIt')}
      </Button>
      {shown && <span className={styles.said}>{words}</span>}
    </span>
  );
}
