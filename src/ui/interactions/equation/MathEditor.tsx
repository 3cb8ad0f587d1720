'use client';

import 'mathlive/fonts.css';
import 'mathlive/static.css';
import { convertLatexToMarkup, MathfieldElement } from 'mathlive';
import { useEffect, useMemo, useRef, type RefObject } from 'react';
import { useTranslations } from 'use-intl';
import { saidMaths } from '@/core/interactions/saidMaths';
import { useNumbers } from '../../content/useNumbers';
import { useSaid } from '../useSaid';
import type { EquationModel } from '@/core/interactions/equation';
import styles from './equation.module.css';
import { keysFor, MOVES, type Key } from './keypads';
import { Press } from '../../kit/Button';

/** Fonts come with our style sheet, sounds are not wanted. */
MathfieldElement.fontsDirectory = null;
MathfieldElement.soundsDirectory = null;

/** A key of the keypad, pressed by hand or by keys. */
export type PressKey = (key: Key, byHand: boolean) => void;

interface Props {
  readonly model: EquationModel;
  readonly latex: string;
  readonly label: string;
  readonly onLatex: (latex: string) => void;
  /** Enter: the next line, where there are several. */
  readonly onEnter?: () => void;
  readonly focusAtStart?: boolean;
  /** Where the keypad stands elsewhere: this editor's way to take its keys. Else it has a keypad of its own below. */
  readonly keysRef?: RefObject<PressKey | null>;
  readonly readOnly?: boolean;
}

/** Where the editor takes keys: what a screen reader is in. */
const sinkOf = (field: MathfieldElement): HTMLElement | null =>
  field.shadowRoot?.querySelector<HTMLElement>('[part=keyboard-sink]') ?? null;

/** The structured editor: a mathfield with our keypad under it instead of its own keyboard. */
export function MathEditor({
  model,
  latex,
  label,
  onLatex,
  onEnter,
  focusAtStart = false,
  keysRef,
  readOnly = false,
}: Props) {
  const hostRef = useRef<HTMLDivElement>(null);
  const fieldRef = useRef<MathfieldElement | null>(null);
  /** What the field held when it was last given or filled. */
  const givenRef = useRef('');
  const onLatexRef = useRef(onLatex);
  const onEnterRef = useRef(onEnter);
  const focusRef = useRef(focusAtStart);
  const numbers = useNumbers();
  const numbersRef = useRef(numbers);
  const { phrases } = useSaid();
  const t = useTranslations('interactions.equation');
  const words = latex.trim() === '' ? t('empty') : phrases([saidMaths(latex)]);
  const name = t('value', { label, words });
  const nameRef = useRef(name);
  useEffect(() => {
    nameRef.current = name;
    numbersRef.current = numbers;
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
    const held = () => numbersRef.current.readMaths(field.getValue('latex'));
    const give = () => {
      givenRef.current = held();
      onLatexRef.current(givenRef.current);
    };
    /** A key pressed just before leaving may be in the field and not announced yet. */
    const giveLast = () => {
      if (held() !== givenRef.current) give();
    };
    const enter = (event: KeyboardEvent) => {
      if (event.key !== 'Enter' || !onEnterRef.current) return;
      event.preventDefault();
      giveLast();
      onEnterRef.current();
    };
    /** The editor itself takes keys only 60 ms after it was pressed; what is typed meanwhile would be lost. */
    const takeKeys = () => {
      // One setting for all fields of a page, and questions of several languages may stand in one.
      MathfieldElement.decimalSeparator = numbersRef.current.sign;
      sinkOf(field)?.focus({ preventScroll: true });
      // The editor names itself as it is entered; what it holds is said in our words, not in its own.
      setTimeout(() => sinkOf(field)?.setAttribute('aria-label', nameRef.current));
    };
    /** The editor speaks of every key. Where the caret went is worth it; what is typed is said when it has come to rest. */
    const speaks = (how: 'polite' | 'off') => () =>
      field.shadowRoot?.querySelector('[role=status]')?.setAttribute('aria-live', how);
    const quiet = speaks('off');
    const loud = (event: KeyboardEvent) => {
      if (/^(Arrow|Home|End)/.test(event.key)) speaks('polite')();
      else quiet();
    };
    field.addEventListener('focus', takeKeys);
    field.addEventListener('pointerdown', takeKeys);
    field.addEventListener('input', give);
    field.addEventListener('blur', giveLast);
    field.addEventListener('keydown', enter);
    field.addEventListener('keydown', loud, true);
    field.addEventListener('beforeinput', quiet);
    host.append(field);
    quiet();
    field.menuItems = [];
    // The field itself takes the focus only later, when the line it follows is gone and the focus with it.
    if (focusRef.current) sinkOf(field)?.focus({ preventScroll: true });
    fieldRef.current = field;
    return () => {
      giveLast();
      field.removeEventListener('focus', takeKeys);
      field.removeEventListener('pointerdown', takeKeys);
      field.removeEventListener('input', give);
      field.removeEventListener('blur', giveLast);
      field.removeEventListener('keydown', enter);
      field.removeEventListener('keydown', loud, true);
      field.removeEventListener('beforeinput', quiet);
      field.remove();
      fieldRef.current = null;
    };
  }, []);

  useEffect(() => {
    const field = fieldRef.current;
    if (!field) return;
    field.setAttribute('aria-label', label);
    sinkOf(field)?.setAttribute('aria-label', name);
  }, [label, name]);
  useEffect(() => {
    if (fieldRef.current) fieldRef.current.readOnly = readOnly;
  }, [readOnly]);

  useEffect(() => {
    const field = fieldRef.current;
    if (!field) return;
    const { readMaths, showMaths } = numbers;
    if (readMaths(field.getValue('latex')) !== latex)
      field.setValue(showMaths(latex), { silenceNotifications: true });
    givenRef.current = readMaths(field.getValue('latex'));
  }, [latex, numbers]);

  const press: PressKey = (key, byHand) => {
    const field = fieldRef.current;
    if (!field) return;
    if (key.insert !== undefined)
      field.insert(key.insert, {
        // A key pressed by keys keeps the focus: the next one is often its neighbour.
        focus: byHand,
        selectionMode: key.insert.includes('#') ? 'placeholder' : 'after',
      });
    else if (key.command) {
      if (byHand) field.focus();
      MathfieldElement.decimalSeparator = numbers.sign;
      field.executeCommand(key.command);
    }
    onLatexRef.current(numbers.readMaths(field.getValue('latex')));
  };

  useEffect(() => {
    if (!keysRef) return undefined;
    keysRef.current = press;
    return () => {
      keysRef.current = null;
    };
  });

  return (
    <>
      <div className={styles.line}>
        <Beside latex={model.prefix} />
        <div ref={hostRef} className={styles.host} />
        <Beside latex={model.suffix} />
      </div>
      {!readOnly && !keysRef && <Keypad model={model} onPress={press} />}
    </>
  );
}

/**
 * Maths that is only shown. The markup is MathLive's own, made from LaTeX of the question.
 * @param given it is an answer's, whose numbers are kept with a point and drawn as the question's language writes them
 */
export function Beside({ latex, given = false }: { latex: string; given?: boolean }) {
  const { showMaths } = useNumbers();
  const shown = given ? showMaths(latex) : latex;
  const markup = useMemo(() => (shown === '' ? '' : convertLatexToMarkup(shown)), [shown]);
  if (markup === '') return null;
  return <span className={styles.beside} dangerouslySetInnerHTML={{ __html: markup }} />;
}

/** The keys that a question's maths is written with. */
export function Keypad({
  model,
  onPress,
  off = false,
}: {
  model: EquationModel;
  onPress: PressKey;
  /** Nothing takes its keys just now. */
  off?: boolean;
}) {
  const t = useTranslations('interactions.equation');
  const words = useTranslations('interactions.equation.keys');
  const { sign } = useNumbers();
  const groups = useMemo(() => [...keysFor(model, sign), MOVES], [model, sign]);
  return (
    <div className={styles.keypad} role="group" aria-label={t('keypad')}>
      {groups.map((keys, i) => (
        <div key={i} className={styles.keys} data-group={i}>
          {keys.map((key) => (
            <Press
              key={key.face}
              className={styles.key}
              disabled={off}
              aria-label={words(key.words as 'plus', { face: key.face })}
              title={words(key.words as 'plus', { face: key.face })}
              onMouseDown={(event) => event.preventDefault()}
              onClick={(event) => onPress(key, event.detail > 0)}
            >
              <span aria-hidden="true">{key.face}</span>
            </Press>
          ))}
        </div>
      ))}
    </div>
  );
}
