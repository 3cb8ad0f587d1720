'use client';

import { useId, useState } from 'react';
import { useTranslations } from 'use-intl';
import { pressHottext, type HottextModel } from '@/core/interactions/hottext';
import { responseTexts } from '@/core/item/response';
import { ContentView } from '../../content/ContentView';
import { Prompt } from '../Prompt';
import shared from '../shared.module.css';
import type { InteractionProps } from '../types';
import styles from './hottext.module.css';

/** Words of a text to press; each is a button inside the text, big enough to hit. */
export function HottextView({
  model,
  response,
  shape,
  onAnswer,
  slots,
  announce,
}: InteractionProps<HottextModel>) {
  const t = useTranslations('interactions.choice');
  const id = useId();
  const [full, setFull] = useState<number | null>(null);
  const chosen = responseTexts(response);
  const { minimum, maximum } = model.counts;
  const press = (identifier: string) => {
    const move = pressHottext(model, response, identifier, shape.cardinality !== 'single');
    if (move.kind === 'full') {
      setFull(move.maximum);
      announce(t('full', { maximum: move.maximum }));
      return;
    }
    setFull(null);
    onAnswer(move.response);
  };
  return (
    <div className={styles.block} role="group" aria-labelledby={model.prompt.length > 0 ? id : undefined}>
      <Prompt id={id} content={model.prompt} slots={slots} />
      {maximum !== 1 && (
        <p className={shared.chip} role="status">
          {t('count', { wanted: minimum, exact: maximum === minimum ? 1 : 0, chosen: chosen.length })}
        </p>
      )}
      <div className={styles.text}>
        <ContentView
          content={model.content}
          slots={{
            ...slots,
            place: (_role, identifier, children) => (
              <button
                key={identifier}
                type="button"
                className={styles.word}
                aria-pressed={chosen.includes(identifier)}
                data-unit="choice"
                data-unit-key={`${model.responseIdentifier}:${identifier}`}
                onClick={() => press(identifier)}
              >
                {children}
              </button>
            ),
          }}
        />
      </div>
      {full !== null && chosen.length >= full && (
        <p className={shared.notice}>{t('full', { maximum: full })}</p>
      )}
    </div>
  );
}
