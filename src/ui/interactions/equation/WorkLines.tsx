'use client';

import { Plus, Trash2 } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { saidMaths } from '@/core/interactions/saidMaths';
import { useSaid } from '../useSaid';
import type { EquationModel } from '@/core/interactions/equation';
import { workLatex, workLines, type WorkLine } from '@/core/interactions/equation/work';
import shared from '../shared.module.css';
import { useTypedAnswer } from '../useTypedAnswer';
import styles from './equation.module.css';
import type * as EditorModuleType from './MathEditor';
import { Typed } from './Typed';
import { Button, Press } from '../../kit/Button';

type EditorModule = typeof EditorModuleType;

interface Props {
  readonly model: EquationModel;
  readonly latex: string;
  readonly editor: EditorModule | null;
  readonly typed: boolean;
  readonly readOnly: boolean;
  readonly onLatex: (latex: string, how: 'edit' | 'typing') => void;
}

const EMPTY: WorkLine = { kind: 'maths', text: '' };

/** "Show your work": line by line, maths or words; Enter begins the next line. Signs stand under one another below. */
export function WorkLines({ model, latex, editor, typed, readOnly, onLatex }: Props) {
  const t = useTranslations('interactions.equation');
  const say = useSaid();
  const kept = useMemo(() => workLines(latex), [latex]);
  // Blank lines at the end are no part of the answer; they are only here.
  const [blank, setBlank] = useState<WorkLine | null>(null);
  const [active, setActive] = useState(0);
  /** A line was pressed to be changed: it takes the keys. */
  const [asked, setAsked] = useState(false);
  const keysRef = useRef<EditorModuleType.PressKey>(null);
  const lines = kept.length === 0 ? [blank ?? EMPTY] : blank ? [...kept, blank] : kept;
  const here = Math.min(active, lines.length - 1);
  // A key and Enter may come before the next drawing: moves go on from what was given last.
  const latest = useRef(lines);
  useEffect(() => {
    latest.current = lines;
  });

  const give = (next: readonly WorkLine[], how: 'edit' | 'typing' = 'typing') => {
    latest.current = [...next];
    const last = next.at(-1);
    setBlank(last && last.text.trim() === '' ? last : null);
    onLatex(workLatex(next), how);
  };
  const change = (index: number, line: WorkLine) =>
    give(latest.current.map((one, i) => (i === index ? line : one)));
  const add = (kind: WorkLine['kind']) => {
    const before = latest.current;
    const lastIsBlank = before.at(-1)?.text.trim() === '';
    const next = [...(lastIsBlank ? before.slice(0, -1) : before), { kind, text: '' }];
    latest.current = next;
    setBlank({ kind, text: '' });
    setActive(next.length - 1);
  };
  const remove = (index: number) => {
    give(
      latest.current.filter((_, i) => i !== index),
      'edit',
    );
    setActive(Math.max(0, index - 1));
  };
  return (
    <div className={styles.work}>
      <ol className={styles.lines} aria-label={t('lines')}>
        {lines.map((line, i) => (
          <li key={`${i}-${line.kind}`} className={styles.workLine} data-active={i === here || undefined}>
            {line.kind === 'words' ? (
              <Words
                onEnterLine={() => setActive(i)}
                text={line.text}
                label={t('wordsLine', { line: i + 1 })}
                readOnly={readOnly}
                focusAtStart={i === here && line.text === '' && i > 0}
                onText={(text) => change(i, { kind: 'words', text })}
                onEnter={() => add('maths')}
              />
            ) : typed || !editor ? (
              <Typed
                latex={line.text}
                editor={editor}
                label={t('mathsLine', { line: i + 1 })}
                onLatex={(text) => change(i, { kind: 'maths', text })}
              />
            ) : i === here && !readOnly ? (
              <editor.MathEditor
                model={model}
                latex={line.text}
                label={t('mathsLine', { line: i + 1 })}
                focusAtStart={asked || i > 0}
                keysRef={keysRef}
                onLatex={(text) => change(i, { kind: 'maths', text })}
                onEnter={() => add('maths')}
              />
            ) : (
              <Press
                className={styles.shown}
                disabled={readOnly}
                aria-label={t('editLine', { line: i + 1, words: say.phrases([saidMaths(line.text)]) })}
                onClick={() => {
                  setAsked(true);
                  setActive(i);
                }}
              >
                <editor.Beside latex={line.text === '' ? '\\placeholder{}' : line.text} given />
              </Press>
            )}
            {!readOnly && lines.length > 1 && (
              <Button look="quiet" aria-label={t('removeLine', { line: i + 1 })} onClick={() => remove(i)}>
                <Trash2 size="1.1em" aria-hidden="true" />
              </Button>
            )}
          </li>
        ))}
      </ol>
      {!readOnly && (
        <div className={styles.below}>
          <Button onClick={() => add('maths')}>
            <Plus size="1.1em" aria-hidden="true" /> {t('addMaths')}
          </Button>
          <Button onClick={() => add('words')}>
            <Plus size="1.1em" aria-hidden="true" /> {t('addWords')}
          </Button>
        </div>
      )}
      {editor && !typed && !readOnly && (
        <div className={styles.docked}>
          <editor.Keypad
            model={model}
            off={lines[here]?.kind === 'words'}
            onPress={(key, byHand) => keysRef.current?.(key, byHand)}
          />
        </div>
      )}
      {editor && latex !== '' && (
        <div className={styles.preview} role="group" aria-label={t('preview')}>
          <editor.Beside latex={latex} given />
        </div>
      )}
    </div>
  );
}

/** Words of a line as the answer keeps them. */
const keptWords = (text: string): string => workLines(workLatex([{ kind: 'words', text }]))[0]?.text ?? '';

interface WordsProps {
  readonly text: string;
  readonly label: string;
  readonly readOnly: boolean;
  readonly focusAtStart: boolean;
  readonly onText: (text: string) => void;
  readonly onEnter: () => void;
  /** The student is in this line now. */
  readonly onEnterLine: () => void;
}

function Words({ text, label, readOnly, focusAtStart, onText, onEnter, onEnterLine }: WordsProps) {
  const { draft, change, settle } = useTypedAnswer(text, onText, 300, keptWords);
  return (
    <input
      className={`${shared.field ?? ''} ${styles.words ?? ''}`}
      value={draft}
      aria-label={label}
      readOnly={readOnly}
      maxLength={500}
      // eslint-disable-next-line jsx-a11y/no-autofocus -- the line was just asked for
      autoFocus={focusAtStart}
      onChange={(event) => change(event.target.value)}
      onFocus={onEnterLine}
      onBlur={settle}
      onKeyDown={(event) => {
        if (event.key !== 'Enter') return;
        event.preventDefault();
        settle();
        if (draft.trim() !== '') onEnter();
      }}
    />
  );
}
