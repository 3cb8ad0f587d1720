'use client';

import { useId } from 'react';
import { useTranslations } from 'use-intl';
import { readMath, toLatex, toTyped } from '@/core/math';
import shared from '../shared.module.css';
import { useTypedAnswer } from '../useTypedAnswer';
import styles from './equation.module.css';
import type * as EditorModule from './MathEditor';

/** An answer as typed text; what cannot be read stays as it is. */
function typedForm(latex: string): string {
  const read = readMath(latex);
  return read.ok ? toTyped(read.node) : latex;
}
/** Typed text as LaTeX; what cannot be read yet is kept as typed, so nothing is lost. */
function latexForm(typed: string): string {
  const read = readMath(typed);
  return read.ok ? toLatex(read.node) : typed;
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
  const { draft, change, settle } = useTypedAnswer(
    typedForm(latex),
    (text) => onLatex(latexForm(text)),
    300,
    (text) => typedForm(latexForm(text)),
  );
  const read = readMath(draft);
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
          <editor.Beside latex={toLatex(read.node)} />
        </span>
      )}
      <p id={id} className={shared.hint}>
        {t('typedHint')}
      </p>
    </div>
  );
}
