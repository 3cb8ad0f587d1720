'use client';

import { NotebookPen } from 'lucide-react';
import { useCallback, useEffect, useId, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { keptAt, readKept } from '../../attempt/kept';
import { useKept, useKeptAt, usePlayer } from '../../attempt/PlayerContext';
import { NO_NEEDS } from '@/core/needs';
import { Button } from '../../kit/Button';
import { defineTool, type QuestionProps, type ToolState } from '../types';
import styles from './notes.module.css';

/** Letters of one pad: two pages by hand. */
const LONGEST = 5_000;
const pad = z.object({ text: z.string().check(z.maxLength(LONGEST)) });
type Pad = z.infer<typeof pad>;
const NOTES: ToolState<Pad> = { schema: pad, initial: () => ({ text: '' }), scope: 'question' };
/** The pad of the whole test: kept under the tool's own name. */
const TEST_PAD = 'notes';

/** What is written rests this long before it is kept. */
const REST_MS = 600;

/** Two pads: one for this question, one for the whole test. Kept like answers, and never handed in. */
function NotesWindow({ itemRef }: QuestionProps) {
  const t = useTranslations('tools.notes');
  const [which, setWhich] = useState<'question' | 'test'>('question');
  const [question, keepQuestion] = useKeptAt('notes', itemRef, NOTES);
  const [test, keepTest] = useKept(TEST_PAD, NOTES);
  return (
    <div className={styles.notes}>
      <div className={styles.which} role="group" aria-label={t('which')}>
        {(['question', 'test'] as const).map((one) => (
          <Button key={one} small aria-pressed={which === one} onClick={() => setWhich(one)}>
            {t(one)}
          </Button>
        ))}
      </div>
      {which === 'question' ? (
        <Pad
          key={itemRef}
          label={t('question')}
          text={question.text}
          onKeep={(text) => keepQuestion({ text })}
        />
      ) : (
        <Pad key="test" label={t('test')} text={test.text} onKeep={(text) => keepTest({ text })} />
      )}
      <p className={styles.hint}>{t('hint')}</p>
    </div>
  );
}

interface PadProps {
  readonly label: string;
  readonly text: string;
  readonly onKeep: (text: string) => void;
}

function Pad({ label, text, onKeep }: PadProps) {
  const t = useTranslations('tools.notes');
  const { announce } = usePlayer();
  const id = useId();
  const [draft, setDraft] = useState(text);
  const latest = useRef({ draft, text, onKeep });
  useEffect(() => {
    latest.current = { draft, text, onKeep };
  });
  const settle = useCallback(() => {
    const now = latest.current;
    if (now.draft !== now.text) now.onKeep(now.draft);
  }, []);
  useEffect(() => {
    const rest = setTimeout(settle, REST_MS);
    return () => clearTimeout(rest);
  }, [draft, settle]);
  // Whoever closes the window, or goes on, in the middle of a word has it kept too.
  useEffect(() => settle, [settle]);
  return (
    <div className={styles.pad}>
      <label className="visually-hidden" htmlFor={id}>
        {label}
      </label>
      <textarea
        id={id}
        value={draft}
        maxLength={LONGEST}
        placeholder={t('empty')}
        onChange={(event) => {
          setDraft(event.target.value);
          if (event.target.value.length >= LONGEST) announce(t('full', { letters: LONGEST }));
        }}
        onBlur={settle}
      />
    </div>
  );
}

export const notes = defineTool({
  id: 'notes',
  Icon: NotebookPen,
  letter: 'O',
  button: 'window',
  group: 'writing',
  access: 'everyone',
  often: true,
  state: NOTES,
  window: { Content: NotesWindow, size: () => ({ width: 20, height: 20 }) },
  isOnQuestion: (kept, itemRef) =>
    readKept(kept, keptAt('notes', itemRef), NOTES, NO_NEEDS).text.trim() !== '',
});
