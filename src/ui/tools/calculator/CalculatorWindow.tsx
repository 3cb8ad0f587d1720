'use client';

import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { own } from '@/core/own';
import { workOut, type CalculatorKey, type Problem } from '@/core/tools/calculator';
import { useKept, usePlayer } from '../../attempt/PlayerContext';
import { Button } from '../../kit/Button';
import { useHandler } from '../../kit/useHandler';
import type { QuestionProps } from '../types';
import styles from './calculator.module.css';
import { Graphs } from './Graphs';
import { Keys } from './Keys';
import { Memory } from './Memory';
import { Roll } from './Roll';
import { CALCULATOR, LONGEST, ROLL } from './state';
import { useResultWords } from './useResultWords';

/** What is typed on a keyboard, as the signs of the keys; a letter x is no sign of multiplying in algebra, but it is here. */
const asSigns = (typed: string): string =>
  typed
    .replace(/\*/g, '×')
    .replace(/-/g, '−')
    .replace(/(?<![a-z])x(?![a-z])/gi, '×');
/** An operator at the beginning goes on with the last result. */
const GOES_ON = /^[+−×÷/^%]/;
const KEEP_AFTER_MS = 600;

/** The calculator of a question: a line to write in, the roll of what was worked out, and the keys. */
export function CalculatorWindow({ itemRef }: QuestionProps) {
  const t = useTranslations('tools.calculator');
  const { test, announce } = usePlayer();
  const kind = own(test.items, itemRef)?.materials.calculator ?? 'basic';
  const [{ draft: kept, roll, angle, graphs }, keep] = useKept('calculator', CALCULATOR);
  const [draft, setDraft] = useState(kept);
  const [problem, setProblem] = useState<Problem | null>(null);
  const fieldRef = useRef<HTMLInputElement>(null);
  /** Where the next sign goes; a field that has not the focus forgets it in some browsers. */
  const caret = useRef(kept.length);
  const say = useResultWords();
  const last = roll.at(-1);
  const latest = last === undefined ? null : workOut(last, kind, angle);
  const result = latest?.ok ? latest.text : null;

  useEffect(() => {
    if (draft === kept) return undefined;
    const rest = setTimeout(() => keep({ draft }), KEEP_AFTER_MS);
    return () => clearTimeout(rest);
    // `keep` is another with every event; only what was typed is worth keeping.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [draft, kept]);
  useLayoutEffect(() => {
    const field = fieldRef.current;
    if (field && document.activeElement === field) field.setSelectionRange(caret.current, caret.current);
  }, [draft]);

  const write = (text: string, at: number) => {
    caret.current = Math.min(at, LONGEST);
    setProblem(null);
    setDraft(text.slice(0, LONGEST));
  };
  const put = (puts: string) => {
    const field = fieldRef.current;
    const [from, to] =
      field && document.activeElement === field
        ? [field.selectionStart ?? caret.current, field.selectionEnd ?? caret.current]
        : [caret.current, caret.current];
    const before = draft === '' && result !== null && GOES_ON.test(puts) ? result : draft.slice(0, from);
    write(`${before}${puts}${draft.slice(to)}`, before.length + puts.length);
  };
  const press = ({ puts, sign, name }: CalculatorKey) => {
    put(puts);
    announce(name === undefined ? sign : t(`keys.${name as 'plus'}`));
  };
  /** A key's words; after the letters it shows, where it shows letters. */
  const nameOf = ({ sign, name }: CalculatorKey): string | undefined => {
    if (name === undefined) return undefined;
    const words = t(`keys.${name as 'plus'}`);
    return /[a-z\d]/i.test(sign) ? `${sign}: ${words}` : words;
  };
  const takeBack = () => {
    const at = caret.current;
    if (at > 0) write(draft.slice(0, at - 1) + draft.slice(at), at - 1);
  };
  const equals = () => {
    if (draft.trim() === '') return;
    const worked = workOut(draft, kind, angle);
    if (!worked.ok) {
      setProblem(worked.why);
      announce(t(`problems.${worked.why}`));
      return;
    }
    keep({ draft: '', roll: [...roll, draft].slice(-ROLL) });
    write('', 0);
    announce(say(worked));
  };
  const putBack = useHandler((text: string) => {
    put(text);
    fieldRef.current?.focus();
  });
  const tabs = kind === 'graphing' && (
    <div className={styles.tabs} role="group" aria-label={t('graphs.which')}>
      {[false, true].map((shown) => (
        <Button
          key={String(shown)}
          small
          aria-pressed={graphs.shown === shown}
          onClick={() => keep({ graphs: { ...graphs, shown } })}
        >
          {t(shown ? 'graphs.graphs' : 'graphs.numbers')}
        </Button>
      ))}
    </div>
  );
  if (kind === 'graphing' && graphs.shown)
    return (
      <div className={styles.calculator}>
        {tabs}
        <Graphs />
      </div>
    );
  return (
    <div className={styles.calculator}>
      {tabs}
      <Roll kind={kind} angle={angle} lines={roll} onPut={putBack} />
      <input
        ref={fieldRef}
        className={styles.line}
        value={draft}
        aria-label={t('line')}
        placeholder={t('empty')}
        autoComplete="off"
        spellCheck={false}
        inputMode="none"
        maxLength={LONGEST}
        onChange={({ target }) => write(asSigns(target.value), target.selectionStart ?? target.value.length)}
        onSelect={({ currentTarget }) => {
          caret.current = currentTarget.selectionEnd ?? caret.current;
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter' || event.key === '=') {
            event.preventDefault();
            equals();
          } else if (event.key === 'Escape' && draft !== '') {
            event.preventDefault();
            write('', 0);
          }
        }}
      />
      {problem !== null && <p className={styles.problem}>{t(`problems.${problem}`)}</p>}
      <Memory kind={kind} result={result} onPut={put} />
      <Keys
        kind={kind}
        onPress={press}
        onClear={() => write('', 0)}
        onTakeBack={takeBack}
        onEquals={equals}
        nameOf={nameOf}
      />
      <p className={styles.hint}>{t(`hint.${kind === 'graphing' ? 'scientific' : kind}`)}</p>
    </div>
  );
}
