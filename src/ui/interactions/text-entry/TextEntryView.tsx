'use client';

import { X } from 'lucide-react';
import { useId, useRef } from 'react';
import { useTranslations } from 'use-intl';
import { textEntry, type TextEntryModel } from '@/core/interactions/text-entry';
import { responseTexts } from '@/core/item/response';
import shared from '../shared.module.css';
import type { InteractionProps } from '../types';
import { useTypedAnswer } from '../useTypedAnswer';
import styles from './textEntry.module.css';

/** A number that is only begun: no reason to say it is none yet. */
const BEGUN = /^[-+−]?\.?$|^[-+−]?\d[\d,]*\.?$/;

/** A word or a number inside a line, with a mark to empty it and a kind word when it isn't a number. */
export function TextEntryView({
  model,
  response,
  shape,
  onAnswer,
  position,
}: InteractionProps<TextEntryModel>) {
  const t = useTranslations('interactions.textEntry');
  const missing = useTranslations('missing');
  const noticeId = useId();
  const inputRef = useRef<HTMLInputElement>(null);
  const answer = responseTexts(response)[0] ?? '';
  const { draft, change, settle } = useTypedAnswer(
    answer,
    (text) => onAnswer(text.trim() === '' ? null : text.trim(), 'typing'),
    200,
  );
  const numeric = shape.baseType === 'float' || shape.baseType === 'integer';
  const progress = textEntry.progress(model, draft, shape);
  const notice =
    progress.state === 'partial' && !(numeric && BEGUN.test(draft.trim())) ? progress.missing : null;

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
          placeholder={model.placeholder}
          aria-label={t('label', position)}
          aria-describedby={notice ? noticeId : undefined}
          aria-invalid={notice ? true : undefined}
          onChange={(event) => change(event.target.value)}
          onBlur={settle}
        />
        {draft !== '' && (
          <button
            type="button"
            className={styles.clear}
            aria-label={t('clear')}
            title={t('clear')}
            onClick={() => {
              change('');
              inputRef.current?.focus();
            }}
          >
            <X size="1.1em" aria-hidden="true" />
          </button>
        )}
      </span>
      <span id={noticeId} role="status">
        {notice && (
          <span className={shared.notice}>
            {missing('kind', { what: missing(notice.code as 'notANumber') })}
          </span>
        )}
      </span>
    </span>
  );
}
