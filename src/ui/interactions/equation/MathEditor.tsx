'use client';

import 'mathlive/fonts.css';
import 'mathlive/static.css';
import { convertLatexToMarkup, convertLatexToSpeakableText, MathfieldElement } from 'mathlive';
import { useEffect, useMemo, useRef } from 'react';
import { useTranslations } from 'use-intl';
import type { EquationModel } from '@/core/interactions/equation';
import styles from './equation.module.css';
import { keysFor, MOVES, type Key } from './keypads';
import { Press } from '../../kit/Button';

/** Fonts come with our style sheet, sounds are not wanted. */
MathfieldElement.fontsDirectory = null;
MathfieldElement.soundsDirectory = null;

interface Props {
  readonly model: EquationModel;
  readonly latex: string;
  readonly label: string;
  readonly onLatex: (latex: string) => void;
  /** Enter: the next line, where there are several. */
  readonly onEnter?: () => void;
  readonly focusAtStart?: boolean;
  readonly readOnly?: boolean;
}

/** What maths says in words, as MathLive reads it. */
export const spokenWords = (latex: string): string =>
  convertLatexToSpeakableText(latex)
    .replace(/<[^>]*>/g, ' ')
    .trim();

/** The structured editor: a mathfield with our keypad under it instead of its own keyboard. */
export function MathEditor({
  model,
  latex,
  label,
  onLatex,
  onEnter,
  focusAtStart = false,
  readOnly = false,
}: Props) {
  const hostRef = useRef<HTMLDivElement>(null);
  const fieldRef = useRef<MathfieldElement | null>(null);
  /** What the field held when it was last given or filled. */
  const givenRef = useRef('');
  const onLatexRef = useRef(onLatex);
  const onEnterRef = useRef(onEnter);
  const focusRef = useRef(focusAtStart);
  useEffect(() => {
    onLatexRef.current = onLatex;
    onEnterRef.current = onEnter;
  });

  useEffect(() => {
    const host = hostRef.current;
    if (!host) return undefined;
    const field = new MathfieldElement();
    field.className = styles.field ?? '';
    field.mathVirtualKeyboardPolicy = 'manual';
    // A blank is kept: it is what tells 1 1/2 from 11/2.
    field.mathModeSpace = '\\:';
    field.smartFence = true;
    field.removeExtraneousParentheses = true;
    const give = () => {
      givenRef.current = field.getValue('latex');
      onLatexRef.current(givenRef.current);
    };
    /** A key pressed just before leaving may be in the field and not announced yet. */
    const giveLast = () => {
      if (field.getValue('latex') !== givenRef.current) give();
    };
    const enter = (event: KeyboardEvent) => {
      if (event.key !== 'Enter' || !onEnterRef.current) return;
      event.preventDefault();
      giveLast();
      onEnterRef.current();
    };
    /** The editor itself takes keys only 60 ms after it was pressed; what is typed meanwhile would be lost. */
    const takeKeys = () =>
      field.shadowRoot?.querySelector<HTMLElement>('[part=keyboard-sink]')?.focus({ preventScroll: true });
    field.addEventListener('focus', takeKeys);
    field.addEventListener('pointerdown', takeKeys);
    field.addEventListener('input', give);
    field.addEventListener('blur', giveLast);
    field.addEventListener('keydown', enter);
    host.append(field);
    field.menuItems = [];
    if (focusRef.current) field.focus();
    fieldRef.current = field;
    return () => {
      giveLast();
      field.removeEventListener('focus', takeKeys);
      field.removeEventListener('pointerdown', takeKeys);
      field.removeEventListener('input', give);
      field.removeEventListener('blur', giveLast);
      field.removeEventListener('keydown', enter);
      field.remove();
      fieldRef.current = null;
    };
  }, []);

  useEffect(() => {
    fieldRef.current?.setAttribute('aria-label', label);
  }, [label]);
  useEffect(() => {
    if (fieldRef.current) fieldRef.current.readOnly = readOnly;
  }, [readOnly]);

  useEffect(() => {
    const field = fieldRef.current;
    if (!field) return;
    if (field.getValue('latex') !== latex) field.setValue(latex, { silenceNotifications: true });
    givenRef.current = field.getValue('latex');
  }, [latex]);

  const press = (key: Key) => {
    const field = fieldRef.current;
    if (!field) return;
    if (key.insert !== undefined)
      field.insert(key.insert, {
        focus: true,
        selectionMode: key.insert.includes('#') ? 'placeholder' : 'after',
      });
    else if (key.command) {
      field.focus();
      field.executeCommand(key.command);
    }
    onLatexRef.current(field.getValue('latex'));
  };

  return (
    <>
      <div className={styles.line}>
        <Beside latex={model.prefix} />
        <div ref={hostRef} className={styles.host} />
        <Beside latex={model.suffix} />
      </div>
      {!readOnly && <Keypad model={model} onPress={press} />}
    </>
  );
}

/** Maths that is only shown. The markup is MathLive's own, made from LaTeX of the question. */
export function Beside({ latex }: { latex: string }) {
  const markup = useMemo(() => (latex === '' ? '' : convertLatexToMarkup(latex)), [latex]);
  if (markup === '') return null;
  return <span className={styles.beside} dangerouslySetInnerHTML={{ __html: markup }} />;
}

function Keypad({ model, onPress }: { model: EquationModel; onPress: (key: Key) => void }) {
  const t = useTranslations('interactions.equation');
  const words = useTranslations('interactions.equation.keys');
  const groups = useMemo(() => [...keysFor(model), MOVES], [model]);
  return (
    <div className={styles.keypad} role="group" aria-label={t('keypad')}>
      {groups.map((keys, i) => (
        <div key={i} className={styles.keys} data-group={i}>
          {keys.map((key) => (
            <Press
              key={key.face}
              className={styles.key}
              aria-label={words(key.words as 'plus', { face: key.face })}
              title={words(key.words as 'plus', { face: key.face })}
              onMouseDown={(event) => event.preventDefault()}
              onClick={() => onPress(key)}
            >
              <span aria-hidden="true">{key.face}</span>
            </Press>
          ))}
        </div>
      ))}
    </div>
  );
}
