'use client';

import { Columns2, Rows2 } from 'lucide-react';
import { useId, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { ExtendedTextModel } from '@/core/interactions/extended-text';
import { responseTexts } from '@/core/content/response';
import { Prompt } from '../Prompt';
import type { InteractionProps } from '../types';
import styles from './extendedText.module.css';
import { WritingBox } from './WritingBox';
import { Button } from '../../kit/Button';

/** A task of this many letters can be put beside the writing. */
const LONG_TASK = 60;

/** A longer text with its words counted; formatting and spelling hints where allowed; the task above or beside it. */
export function ExtendedTextView(props: InteractionProps<ExtendedTextModel>) {
  const { model, response, shape, onAnswer, slots, readOnly } = props;
  const t = useTranslations('interactions.extendedText');
  const id = useId();
  const [beside, setBeside] = useState(false);
  const texts = responseTexts(response);
  const boxes = shape.cardinality === 'single' ? 1 : Math.max(model.minStrings, texts.length);
  const give = (index: number, text: string) => {
    if (shape.cardinality === 'single') return onAnswer(text === '' ? null : text, 'typing');
    const next = Array.from({ length: boxes }, (_, i) => (i === index ? text : (texts[i] ?? '')));
    onAnswer(next.every((one) => one === '') ? null : next, 'typing');
  };
  const canSplit = JSON.stringify(model.prompt).length > LONG_TASK && model.lines > 3 && !readOnly;
  return (
    <div className={styles.block} data-beside={beside || undefined}>
      <div className={styles.task}>
        <Prompt id={id} content={model.prompt} slots={slots} />
        {canSplit && (
          <Button aria-pressed={beside} onClick={() => setBeside(!beside)}>
            {beside ? (
              <Rows2 size="1.1em" aria-hidden="true" />
            ) : (
              <Columns2 size="1.1em" aria-hidden="true" />
            )}
            {t(beside ? 'above' : 'beside')}
          </Button>
        )}
      </div>
      <div>
        {Array.from({ length: boxes }, (_, i) => (
          <WritingBox
            key={i}
            {...props}
            labelId={model.prompt.length > 0 ? id : null}
            text={texts[i] ?? ''}
            index={i}
            onText={(text) => give(i, text)}
          />
        ))}
      </div>
    </div>
  );
}
