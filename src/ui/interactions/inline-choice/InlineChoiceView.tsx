'use client';

import { lazy, Suspense } from 'react';
import { useTranslations } from 'use-intl';
import type { InlineChoiceModel } from '@/core/interactions/inline-choice';
import { contentText, needsWords } from '@/core/content/content';
import { responseTexts } from '@/core/content/response';
import shared from '../shared.module.css';
import type { InteractionProps } from '../types';
import styles from './inlineChoice.module.css';

/** Comes when a question has such entries. */
const RichMenu = lazy(() => import('./RichMenu').then((module) => ({ default: module.RichMenu })));

/** A menu inside a sentence: the browser's own, which every device knows how to show; ours where entries are more than words. */
export function InlineChoiceView({
  model,
  response,
  onAnswer,
  position,
  slots,
  readOnly,
}: InteractionProps<InlineChoiceModel>) {
  const t = useTranslations('interactions.inlineChoice');
  const chosen = responseTexts(response)[0] ?? '';
  if (model.choices.some((choice) => needsWords(choice.content)))
    return (
      <Suspense fallback={null}>
        <RichMenu
          model={model}
          chosen={chosen}
          label={t('label', position)}
          slots={slots}
          readOnly={readOnly}
          onChoose={onAnswer}
        />
      </Suspense>
    );
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
