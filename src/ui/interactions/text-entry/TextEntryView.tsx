'use client';

import { Grid3x3 as PadIcon, X } from 'lucide-react';
import { useId, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { textEntry, type TextEntryModel } from '@/core/interactions/text-entry';
import { responseTexts } from '@/core/content/response';
import shared from '../shared.module.css';
import type { InteractionProps } from '../types';
import { useTypedAnswer } from '../useTypedAnswer';
import { NumberPad } from './NumberPad';
import styles from './textEntry.module.css';
import { Press } from '../../kit/Button';

/** A number that is only begun: no reason to say it is none yet. */
const BEGUN = /^[-+−]?[.,]?$|^[-+−]?\d[\d,]*\.?$/;
/** Where a comma stands before the tenths: what could be taken for a thousand elsewhere. */
const LIKE_A_THOUSAND = /^[-+−]?(\d{1,3}),\d{3}$/;

/** A word or a number inside a line, with a mark to empty it and a kind word when it isn't a number. */
export function TextEntryView({
  model,
  response,
  shape,
  onAnswer,
  position,
  readOnly,
}: InteractionProps<TextEntryModel>) {
  const t = useTranslations('interactions.textEntry');
  const missing = useTranslations('missing');
  const noticeId = useId();
  const [pad, setPad] = useState(false);
  const inputRef = useRef<HTMLInputElement>(null);
  const answer = responseTexts(response)[0] ?? '';
  const { draft, change, settle } = useTypedAnswer(
    answer,
    (text) => onAnswer(text.trim() === '' ? null : text.trim(), 'typing'),
    200,
    (text) => text.trim(),
  );
  const numeric = shape.baseType === 'float' || shape.baseType === 'integer';
  const progress = textEntry.progress(model, draft, shape);
  const notice =
    progress.state === 'partial' && !(numeric && BEGUN.test(draft.trim())) ? progress.missing : null;

  const thousand = numeric && shape.decimal === ',' ? LIKE_A_THOUSAND.exec(draft.trim()) : null;
  const noticeWords = notice
    ? missing('kind', {
        what: missing(notice.code as 'fraction', { ...notice.values }),
      })
    : thousand && missing('decimalComma', { text: draft.trim(), next: Number(thousand[1]) + 1 });

  /** Puts a key of the pad where the caret is, or takes the sign before it away. */
  const write = (key: string | null) => {
    const input = inputRef.current;
    const [from, to] = [input?.selectionStart ?? draft.length, input?.selectionEnd ?? draft.length];
    const start = key === null && from === to ? Math.max(0, from - 1) : from;
    change(draft.slice(0, start) + (key ?? '') + draft.slice(to));
    const caret = start + (key?.length ?? 0);
    requestAnimationFrame(() => input?.setSelectionRange(caret, caret));
  };

  return (
    <span className={styles.entry} data-unit="box" data-unit-key={model.responseIdentifier}>
      <span className={styles.box}>
        <input
          ref={inputRef}
          className={shared.field}
          style={{ width: `${Math.min(40, Math.max(3, model.expectedLength)) * 0.65 + 2.75}rem` }}
          value={draft}
          inputMode={numeric ? 'decimal' : 'text'}
          autoComplete="off"
          autoCorrect="off"
          spellCheck={false}
          maxLength={2000}
          readOnly={readOnly}
          placeholder={model.placeholder}
          aria-label={t('label', position)}
          aria-describedby={noticeWords ? noticeId : undefined}
          aria-invalid={notice ? true : undefined}
          onChange={(event) => change(event.target.value)}
          onBlur={settle}
        />
        {draft !== '' && !readOnly && (
          <Press
            className={styles.clear}
            aria-label={t('clear')}
            title={t('clear')}
            onClick={() => {
              change('');
              inputRef.current?.focus();
            }}
          >
            <X size="1.1em" aria-hidden="true" />
          </Press>
        )}
      </span>
      {numeric && !readOnly && (
        <Press
          className={styles.padButton}
          aria-expanded={pad}
          aria-label={t('padButton')}
          title={t('padButton')}
          onClick={() => setPad(!pad)}
        >
          <PadIcon size="1.15em" aria-hidden="true" />
        </Press>
      )}
      {pad && (
        <NumberPad
          point={shape.baseType === 'integer' ? null : (shape.decimal ?? '.')}
          onKey={write}
          onDelete={() => write(null)}
        />
      )}
      <span id={noticeId}>{noticeWords && <span className={shared.notice}>{noticeWords}</span>}</span>
    </span>
  );
}
