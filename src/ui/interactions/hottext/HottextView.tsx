'use client';

import { useMemo } from 'react';
import { useTranslations } from 'use-intl';
import { hottextWords, type HottextModel } from '@/core/interactions/hottext';
import { ContentView } from '../../content/ContentView';
import { CountChip } from '../shared/CountChip';
import { Notice } from '../shared/Notice';
import { useSelection } from '../shared/useSelection';
import { Task } from '../shared/Task';
import type { InteractionProps } from '../types';
import styles from './hottext.module.css';
import { Press } from '../../kit/Button';

/** Words of a text to press; each is a button inside the text, big enough to hit. */
export function HottextView(props: InteractionProps<HottextModel>) {
  const { model, slots, struck = [], choiceMark } = props;
  const t = useTranslations('interactions.choice');
  const words = useMemo(() => hottextWords(model), [model]);
  const { chosen, press, notice } = useSelection(props, model.hottexts, model.counts.maximum);
  return (
    <Task model={model} slots={slots} className={styles.block} unit={false}>
      <CountChip counts={model.counts} chosen={chosen.length} />
      <div className={styles.text}>
        <ContentView
          content={model.content}
          slots={{
            ...slots,
            place: (_role, identifier, children) => (
              <span key={identifier} className={styles.together}>
                <Press
                  className={styles.word}
                  aria-pressed={chosen.includes(identifier)}
                  data-struck={struck.includes(identifier) || undefined}
                  data-unit="choice"
                  data-unit-key={`${model.responseIdentifier}:${identifier}`}
                  onClick={() => press(identifier)}
                >
                  {children}
                  {struck.includes(identifier) && <span className="visually-hidden">{t('struckOut')}</span>}
                </Press>
                {choiceMark?.({
                  choice: identifier,
                  label: words.get(identifier) ?? identifier,
                  chosen: chosen.includes(identifier),
                  inline: true,
                })}
              </span>
            ),
          }}
        />
      </div>
      <Notice words={notice} />
    </Task>
  );
}
