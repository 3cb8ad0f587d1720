'use client';

import { useId } from 'react';
import { useTranslations } from 'use-intl';
import { countWords, type ExtendedTextModel } from '@/core/interactions/extended-text';
import { responseTexts } from '@/core/item/response';
import { Prompt } from '../Prompt';
import shared from '../shared.module.css';
import type { InteractionProps } from '../types';
import { useTypedAnswer } from '../useTypedAnswer';
import styles from './extendedText.module.css';

/** A longer text, plain, with its words counted. A container response gets one box per text asked for. */
export function ExtendedTextView(props: InteractionProps<ExtendedTextModel>) {
  const { model, response, shape, onAnswer, slots } = props;
  const id = useId();
  const texts = responseTexts(response);
  const boxes = shape.cardinality === 'single' ? 1 : model.minStrings;
  const give = (index: number, text: string) => {
    if (shape.cardinality === 'single') return onAnswer(text === '' ? null : text, 'typing');
    const next = Array.from({ length: boxes }, (_, i) => (i === index ? text : (texts[i] ?? '')));
    onAnswer(next.every((one) => one === '') ? null : next, 'typing');
  };
  return (
    <div className={styles.block}>
      <Prompt id={id} content={model.prompt} slots={slots} />
      {Array.from({ length: boxes }, (_, i) => (
        <TextBox
          key={i}
          {...props}
          labelId={model.prompt.length > 0 ? id : null}
          text={texts[i] ?? ''}
          index={i}
          onText={(text) => give(i, text)}
        />
      ))}
    </div>
  );
}

interface BoxProps extends InteractionProps<ExtendedTextModel> {
  readonly labelId: string | null;
  readonly text: string;
  readonly index: number;
  readonly onText: (text: string) => void;
}

function TextBox({ model, labelId, text, index, onText }: BoxProps) {
  const t = useTranslations('interactions.extendedText');
  const { draft, change, settle } = useTypedAnswer(text, onText, 500);
  return (
    <div data-unit="box" data-unit-key={`${model.responseIdentifier}:${index}`}>
      <textarea
        className={`${shared.field} ${styles.text}`}
        rows={Math.min(30, Math.max(3, model.lines))}
        value={draft}
        maxLength={100_000}
        placeholder={model.placeholder}
        aria-labelledby={labelId ?? undefined}
        aria-label={labelId ? undefined : t('label')}
        spellCheck={false}
        onChange={(event) => change(event.target.value)}
        onBlur={settle}
      />
      <p className={styles.count}>{t('words', { count: countWords(draft) })}</p>
    </div>
  );
}
