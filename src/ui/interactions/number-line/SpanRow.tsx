'use client';

import { X } from 'lucide-react';
import { useTranslations } from 'use-intl';
import { moveEnd, toggleEnd, type Span } from '@/core/interactions/number-line/spans';
import { quantityText } from '@/core/interactions/quantity';
import * as q from '@/core/math/rational';
import type { Rational } from '@/core/math/rational';
import shared from '../shared.module.css';
import { useDraft } from '../shared/useDraft';
import styles from './numberLine.module.css';
import { Button } from '../../kit/Button';

interface Props {
  readonly span: Span;
  readonly words: string;
  readonly readOnly: boolean;
  /** The value a text means on this line, or in words why it means none. */
  readonly read: (text: string) => { readonly value: Rational } | { readonly problem: string };
  readonly onProblem: (words: string) => void;
  readonly onChange: (span: Span) => void;
  readonly onRemove: () => void;
}

/** One ray or interval in words, with both ends to be typed and opened or closed. */
export function SpanRow({ span, words, readOnly, read, onProblem, onChange, onRemove }: Props) {
  const t = useTranslations('interactions.numberLine');
  return (
    <li className={styles.spanRow}>
      <span className={styles.spanWords}>{words}</span>
      {!readOnly && (
        <span className={styles.ends}>
          {(['from', 'to'] as const).map((side) => (
            <span key={side} className={styles.typed}>
              <EndField
                label={t(side === 'from' ? 'fromShort' : 'toShort')}
                value={span[side].at === null ? '' : quantityText(span[side].at)}
                onValue={(text) => {
                  const typed = text.trim() === '' ? { value: null } : read(text);
                  if ('problem' in typed) onProblem(typed.problem);
                  else onChange(moveEnd(span, side, typed.value, q.compare));
                }}
              />
              <Button
                disabled={span[side].at === null}
                aria-label={t(span[side].closed ? 'openIt' : 'closeIt', {
                  end: t(side === 'from' ? 'fromShort' : 'toShort'),
                })}
                onClick={() => onChange(toggleEnd(span, side))}
              >
                {t(span[side].closed ? 'closed' : 'open')}
              </Button>
            </span>
          ))}
          <Button look="quiet" aria-label={t('removeSpan', { span: words })} onClick={onRemove}>
            <X size="1.2em" aria-hidden="true" />
          </Button>
        </span>
      )}
    </li>
  );
}

/** A field that gives its value when it is left or Enter is pressed. */
function EndField({
  label,
  value,
  onValue,
}: {
  label: string;
  value: string;
  onValue: (text: string) => void;
}) {
  const t = useTranslations('interactions.numberLine');
  const field = useDraft(value, onValue);
  return (
    <label>
      {label} <input className={shared.field} size={5} placeholder={t('endless')} {...field} />
    </label>
  );
}
