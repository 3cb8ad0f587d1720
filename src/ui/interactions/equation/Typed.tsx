'use client';

import { useId } from 'react';
import { useTranslations } from 'use-intl';
import { readMath, toLatex, toTyped } from '@/core/math';
import { useNumbers, type Numbers } from '../../content/useNumbers';
import shared from '../shared.module.css';
import { useTypedAnswer } from '../useTypedAnswer';
import styles from './equation.module.css';
import type * as EditorModule from './MathEditor';

/** An answer as typed text; what cannot be read stays as it is. */
function typedForm(latex: string, { show }: Numbers): string {
  const read = readMath(latex);
  return show(read.ok ? toTyped(read.node) : latex);
}
/** Typed text as LaTeX; what cannot be read yet is kept as typed, so nothing is lost. */
function latexForm(typed: string, { readMaths }: Numbers): string {
  const text = readMaths(typed);
  const read = readMath(text);
  return read.ok ? toLatex(read.node) : text;
}

/** Maths typed as plain text: `1/2`, `x^2`, `sqrt(8)`. */
export function Typed({
  latex,
  label,
  editor,
  onLatex,
}: {
  latex: string;
  label: string;
  /** Draws maths; null while it is not here. */
  editor: Pick<typeof EditorModule, 'Beside'> | null;
  onLatex: (latex: string) => void;
}) {
  const t = useTranslations('interactions.equation');
  const id = useId();
  const numbers = useNumbers();
  const { draft, change, settle } = useTypedAnswer(
    typedForm(latex, numbers),
    (text) => onLatex(latexForm(text, numbers)),
    300,
    (text) => typedForm(latexForm(text, numbers), numbers),
  );
  const read = readMath(numbers.readMaths(draft));
  return (
    <div className={styles.typed}>
      <input
        className={shared.field}
        value={draft}
        aria-label={label}
        aria-describedby={id}
        autoComplete="off"
        autoCapitalize="off"
        spellCheck={false}
        maxLength={500}
        onChange={(event) => change(event.target.value)}
        onBlur={settle}
      />
      {editor && read.ok && (
        <span className={styles.shownBack} data-shown-back="" aria-hidden="true">
          <editor.Beside latex={toLatex(read.node)} given />
        </span>
      )}
      <p id={id} className={shared.hint}>
        {t('typedHint')}
      </p>
    </div>
  );
}
