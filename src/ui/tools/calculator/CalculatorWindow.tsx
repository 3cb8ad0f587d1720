'use client';

import { Delete } from 'lucide-react';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { own } from '@/core/own';
import { keysOf, remembered, workOut, type CalculatorKey, type Problem } from '@/core/tools/calculator';
import { useKept, usePlayer } from '../../attempt/PlayerContext';
import { Button } from '../../kit/Button';
import { loadFaces } from '../../kit/fonts';
import type { QuestionProps } from '../types';
import styles from './calculator.module.css';
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
  const [{ draft: kept, roll, memory, angle }, keep] = useKept('calculator', CALCULATOR);
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
    void loadFaces(/Noto Sans Math/);
  }, []);
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
  const remember = (sign: '+' | '−') => {
    if (result === null) return;
    const next = remembered(memory, sign, result);
    keep({ memory: next });
    announce(t('memoryNow', { value: next }));
  };
  return (
    <div className={styles.calculator}>
      <Roll
        kind={kind}
        angle={angle}
        lines={roll}
        onPut={(text) => {
          put(text);
          fieldRef.current?.focus();
        }}
      />
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
      <div className={styles.memory} role="group" aria-label={t('memory')}>
        <Button
          small
          onClick={() => remember('+')}
          disabled={result === null}
          aria-label={t('keys.memoryPlus')}
        >
          M+
        </Button>
        <Button
          small
          onClick={() => remember('−')}
          disabled={result === null}
          aria-label={t('keys.memoryMinus')}
        >
          M−
        </Button>
        <Button
          small
          onClick={() => memory !== null && put(memory)}
          disabled={memory === null}
          aria-label={memory === null ? t('keys.memoryRecall') : t('memoryPut', { value: memory })}
        >
          {memory === null ? t('memoryEmpty') : t('memoryShort', { value: memory })}
        </Button>
        <Button
          small
          onClick={() => {
            keep({ memory: null });
            announce(t('memoryGone'));
          }}
          disabled={memory === null}
          aria-label={t('keys.memoryClear')}
        >
          MC
        </Button>
        {(kind === 'scientific' || kind === 'graphing') && (
          <Button
            small
            onClick={() => {
              const next = angle === 'degrees' ? 'radians' : 'degrees';
              keep({ angle: next });
              announce(t(`angleNow.${next}`));
            }}
          >
            {t(`angle.${angle}`)}
          </Button>
        )}
      </div>
      {/* A press of the hand leaves the caret in the line. */}
      <div className={styles.keys} onMouseDown={(event) => event.preventDefault()} role="presentation">
        {keysOf(kind).map((block, i, { length }) => (
          <div key={i} className={styles.block}>
            {block.map((one) => (
              <Button
                key={`${one.sign} ${one.puts}`}
                className={styles.key}
                data-digit={/^\d$/.test(one.sign) || undefined}
                aria-label={nameOf(one)}
                title={nameOf(one)}
                onClick={() => press(one)}
              >
                {one.name === 'negative' ? '±' : one.sign}
              </Button>
            ))}
            {i === length - 1 && (
              <>
                <Button className={styles.key} onClick={() => write('', 0)} aria-label={t('keys.clear')}>
                  {t('clear')}
                </Button>
                <Button className={styles.key} onClick={takeBack} aria-label={t('keys.takeBack')}>
                  <Delete size="1.15em" aria-hidden="true" />
                </Button>
                <Button className={styles.equals} look="main" onClick={equals} aria-label={t('keys.equals')}>
                  =
                </Button>
              </>
            )}
          </div>
        ))}
      </div>
      <p className={styles.hint}>{t(`hint.${kind === 'graphing' ? 'scientific' : kind}`)}</p>
    </div>
  );
}
