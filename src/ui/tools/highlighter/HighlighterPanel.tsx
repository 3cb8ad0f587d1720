'use client';

import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { usePlayer, useAttempt } from '../../attempt/PlayerContext';
import styles from '../tools.module.css';
import { whereRead } from '../whereRead';
import { WordCursor } from './wordCursor';
import { Button } from '../../kit/Button';

/** How the highlighter is used, by hand and by keys, and taking all of it away. */
export function HighlighterPanel() {
  const t = useTranslations('tools.highlighter');
  const { dispatch, announce } = usePlayer();
  const any = useAttempt((state) => Object.values(state.highlights).some((list) => list.length > 0));
  const [picking, setPicking] = useState(false);
  const padRef = useRef<HTMLButtonElement>(null);
  const cursorRef = useRef<WordCursor | null>(null);

  useEffect(() => {
    if (picking) padRef.current?.focus();
  }, [picking]);

  const begin = () => {
    const place = whereRead();
    cursorRef.current = place && WordCursor.begin(place.root, place.where);
    if (!cursorRef.current) return;
    setPicking(true);
    announce(t('pickingHint'));
    announce(window.getSelection()?.toString() ?? '');
  };

  return (
    <div>
      <p className={styles.text}>{t('hint')}</p>
      <div className={styles.panelRow}>
        {picking ? (
          <Button
            ref={padRef}

            data-on
            onKeyDown={(event) => {
              if (event.key === 'Enter') {
                event.preventDefault();
                document.querySelector<HTMLElement>('[data-highlight-popup] button')?.focus();
              } else if (event.key === 'Escape') {
                event.stopPropagation();
                setPicking(false);
              } else {
                const words = cursorRef.current?.press(event.key, event.shiftKey) ?? null;
                if (words === null) return;
                event.preventDefault();
                announce(words);
              }
            }}
          >
            {t('picking')}
          </Button>
        ) : (
          <Button onClick={begin}>{t('pick')}</Button>
        )}
        <Button
          disabled={!any}
          onClick={() => {
            dispatch({ type: 'highlights-cleared', text: null });
            announce(t('allRemoved'));
          }}
        >
          {t('removeAll')}
        </Button>
      </div>
    </div>
  );
}
