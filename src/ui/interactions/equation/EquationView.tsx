'use client';

import { useId, useState } from 'react';
import { useTranslations } from 'use-intl';
import { equation, type EquationModel } from '@/core/interactions/equation';
import { responseTexts } from '@/core/content/response';
import { useTold } from '../../kit/speech';
import { useSaid } from '../useSaid';
import { useTaskName } from '../taskName';
import { useLater } from '../../kit/useLater';
import { Prompt } from '../Prompt';
import shared from '../shared.module.css';
import type { InteractionProps } from '../types';
import styles from './equation.module.css';
import { SayIt } from './SayIt';
import { Typed } from './Typed';
import { WorkLines } from './WorkLines';
import { Press } from '../../kit/Button';

/** The editor is large and loads by itself, only where a question needs it; without it the answer can still be typed. */
const loadEditor = () => import('./MathEditor');

/** Written maths: in the structured editor under our keypad, or typed as text; each turns into the other. */
export function EquationView(props: InteractionProps<EquationModel>) {
  const { model, response, shape, onAnswer, slots, readOnly } = props;
  const t = useTranslations('interactions.equation');
  const missing = useTranslations('missing');
  const id = useId();
  const name = useTaskName(model, id);
  const say = useSaid();
  const [wishHere, setWishHere] = useState(false);
  const typing = props.typing ?? { on: wishHere, set: setWishHere };
  const { value: editor, failed } = useLater(loadEditor);
  const way = failed || typing.on ? 'typed' : 'structured';
  const latex = responseTexts(response)[0] ?? '';
  const give = (next: string, how: 'edit' | 'typing' = 'typing') =>
    onAnswer(next.trim() === '' ? null : next, how);
  const words = say.phrases(equation.said(model, response));
  useTold(props.announce, words);
  const progress = equation.progress(model, response, shape);
  const unfinished = progress.state === 'partial' ? progress.missing : null;

  return (
    <div
      className={styles.block}
      role="group"
      {...name}
      data-unit="box"
      data-unit-key={model.responseIdentifier}
    >
      <Prompt id={id} content={model.prompt} slots={slots} />
      {model.mode === 'work' ? (
        <WorkLines
          key={failed ? 'typed' : 'structured'}
          model={model}
          latex={latex}
          editor={editor}
          typed={way === 'typed'}
          readOnly={readOnly}
          onLatex={give}
        />
      ) : way === 'typed' ? (
        <Typed latex={latex} label={t('typedLabel', props.position)} editor={editor} onLatex={give} />
      ) : editor ? (
        <editor.MathEditor
          model={model}
          latex={latex}
          label={t('label', props.position)}
          readOnly={readOnly}
          onLatex={give}
        />
      ) : (
        <div className={styles.loading}>{t('loading')}</div>
      )}
      <div className={styles.below}>
        {latex !== '' && !readOnly && <SayIt words={words} announce={props.announce} />}
        {!failed && !readOnly && (
          <Press className={styles.turn} onClick={() => typing.set(!typing.on)}>
            {way === 'structured' ? t('toTyped') : t('toStructured')}
          </Press>
        )}
        {unfinished && (
          <span className={shared.notice}>
            {missing('kind', { what: missing(unfinished.code as 'mathBoxes') })}
          </span>
        )}
      </div>
    </div>
  );
}
