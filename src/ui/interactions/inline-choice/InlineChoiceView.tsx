'use client';

import { useTranslations } from 'use-intl';
import type { InlineChoiceModel } from '@/core/interactions/inline-choice';
import { contentText } from '@/core/item/content';
import { responseTexts } from '@/core/item/response';
import shared from '../shared.module.css';
import type { InteractionProps } from '../types';
import styles from './inlineChoice.module.css';

/** A menu inside a sentence: the browser's own, which every device knows how to show. */
export function InlineChoiceView({
  model,
  response,
  onAnswer,
  position,
}: InteractionProps<InlineChoiceModel>) {
  const t = useTranslations('interactions.inlineChoice');
  const chosen = responseTexts(response)[0] ?? '';
  return (
    <select
      className={`${shared.field} ${styles.menu}`}
      aria-label={t('label', position)}
      value={chosen}
      data-empty={chosen === '' || undefined}
      data-unit="menu"
      data-unit-key={model.responseIdentifier}
      onChange={(event) => onAnswer(event.target.value === '' ? null : event.target.value)}
    >
      <option value="">{t('choose')}</option>
      {model.choices.map((choice) => (
        <option key={choice.identifier} value={choice.identifier}>
          {contentText(choice.content)}
        </option>
      ))}
    </select>
  );
}
