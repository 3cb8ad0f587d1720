'use client';

import { useId, useState } from 'react';
import { useTranslations } from 'use-intl';
import { equation, type EquationModel } from '@/core/interactions/equation';
import { responseTexts } from '@/core/item/response';
import { readMath, toLatex, toTyped } from '@/core/math';
import { useLater } from '../../kit/useLater';
import { Prompt } from '../Prompt';
import shared from '../shared.module.css';
import type { InteractionProps } from '../types';
import { useTypedAnswer } from '../useTypedAnswer';
import styles from './equation.module.css';

/** The editor is large and loads by itself, only where a question needs it; without it the answer can still be typed. */
const loadEditor = () => import('./MathEditor').then((module) => module.MathEditor);

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

/** Written maths: in the structured editor under our keypad, or typed as text; each turns into the other. */
export function EquationView(props: InteractionProps<EquationModel>) {
  const { model, response, shape, onAnswer, slots } = props;
  const t = useTranslations('interactions.equation');
  const missing = useTranslations('missing');
  const id = useId();
  const [wish, setWay] = useState<'structured' | 'typed'>('structured');
  const { value: MathEditor, failed } = useLater(loadEditor);
  const way = failed ? 'typed' : wish;
  const latex = responseTexts(response)[0] ?? '';
  const give = (next: string) => onAnswer(next.trim() === '' ? null : next, 'typing');
  const progress = equation.progress(model, response, shape);
  const unfinished = progress.state === 'partial' ? progress.missing : null;

  return (
    <div
      className={styles.block}
      role="group"
      aria-labelledby={model.prompt.length > 0 ? id : undefined}
      data-unit="box"
      data-unit-key={model.responseIdentifier}
    >
      <Prompt id={id} content={model.prompt} slots={slots} />
      {way === 'typed' ? (
        <Typed latex={latex} label={t('typedLabel', props.position)} onLatex={give} />
      ) : MathEditor ? (
        <MathEditor model={model} latex={latex} label={t('label', props.position)} onLatex={give} />
      ) : (
        <div className={styles.loading}>{t('loading')}</div>
      )}
      <div className={styles.below}>
        {!failed && (
          <button
            type="button"
            className={styles.turn}
            onClick={() => setWay(way === 'structured' ? 'typed' : 'structured')}
          >
            {way === 'structured' ? t('toTyped') : t('toStructured')}
          </button>
        )}
        <span role="status">
          {unfinished && (
            <span className={shared.notice}>
              {missing('kind', { what: missing(unfinished.code as 'mathBoxes') })}
            </span>
          )}
        </span>
      </div>
    </div>
  );
}

function Typed({
  latex,
  label,
  onLatex,
}: {
  latex: string;
  label: string;
  onLatex: (latex: string) => void;
}) {
  const t = useTranslations('interactions.equation');
  const id = useId();
  const { draft, change, settle } = useTypedAnswer(typedForm(latex), (text) => onLatex(latexForm(text)), 300);
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
      <p id={id} className={styles.hint}>
        {t('typedHint')}
      </p>
    </div>
  );
}
