'use client';

import { useMemo, useRef } from 'react';
import { useTranslations } from 'use-intl';
import { countWords, plainText, type ExtendedTextModel } from '@/core/interactions/extended-text';
import { useTold } from '../../kit/speech';
import { useLater } from '../../kit/useLater';
import shared from '../shared.module.css';
import type { InteractionProps } from '../types';
import { useTypedAnswer } from '../useTypedAnswer';
import styles from './extendedText.module.css';
import { SpellingHints } from './SpellingHints';
import { useSpelling } from './useSpelling';

interface Props extends InteractionProps<ExtendedTextModel> {
  readonly labelId: string | null;
  readonly text: string;
  readonly index: number;
  readonly onText: (text: string) => void;
}

/** The editor is large and comes only where a question needs it; without it the text can still be written plainly. */
const loadEditor = () => import('./RichEditor');

/** One writing space with its word count. */
export function WritingBox({ model, labelId, text, index, onText, readOnly, announce }: Props) {
  const t = useTranslations('interactions.extendedText');
  const rich = model.format === 'xhtml' || model.spelling;
  const { draft, change, settle } = useTypedAnswer(text, onText, 500);
  const { value: editor, failed } = useLater(loadEditor, rich);
  const plain = plainText(draft, model.format);
  const left = wordsLeft(model, countWords(plain));
  useTold(announce, left !== null && left < 0 ? t('pastLimit') : null);
  const wrong = useSpelling(plain, model.spelling && !readOnly);
  const wrongWords = useMemo(() => Object.keys(wrong), [wrong]);
  const replaceRef = useRef<(wrong: string, right: string) => void>(() => undefined);
  return (
    <div data-unit="box" data-unit-key={`${model.responseIdentifier}:${index}`} onBlur={settle}>
      {rich && !failed ? (
        editor ? (
          <editor.RichEditor
            model={model}
            text={draft}
            label={t('label')}
            labelledBy={labelId ?? undefined}
            readOnly={readOnly}
            wrong={wrongWords}
            onText={change}
            onReady={(replace) => {
              replaceRef.current = replace;
            }}
          />
        ) : (
          <p className={styles.loading}>{t('loading')}</p>
        )
      ) : (
        <textarea
          className={`${shared.field} ${styles.text}`}
          rows={Math.min(30, Math.max(3, model.lines))}
          value={draft}
          maxLength={100_000}
          readOnly={readOnly}
          placeholder={model.placeholder}
          aria-labelledby={labelId ?? undefined}
          aria-label={labelId ? undefined : t('label')}
          spellCheck={false}
          onChange={(event) => change(event.target.value)}
        />
      )}
      <p className={styles.count}>
        <Count words={countWords(plain)} model={model} />
      </p>
      {model.spelling && !readOnly && (
        <SpellingHints wrong={wrong} onReplace={(from, to) => replaceRef.current(from, to)} />
      )}
    </div>
  );
}

/** Words left of the length that is expected, read as words (five letters and a blank); null where they are not counted down. */
const wordsLeft = ({ counter, expectedLength }: ExtendedTextModel, words: number): number | null =>
  counter !== 'down' || expectedLength === null ? null : Math.max(1, Math.round(expectedLength / 6)) - words;

/** Up: the words there are. Down: those left. */
function Count({ words, model }: { words: number; model: ExtendedTextModel }) {
  const t = useTranslations('interactions.extendedText');
  const left = wordsLeft(model, words);
  if (left === null) return t('words', { count: words });
  return left >= 0 ? t('left', { count: left }) : t('over', { count: -left });
}
