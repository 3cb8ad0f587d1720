'use client';

import type { HottextModel } from '@/core/interactions/hottext';
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
  const { model, slots } = props;
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
              <Press
                key={identifier}
                className={styles.word}
                aria-pressed={chosen.includes(identifier)}
                data-unit="choice"
                data-unit-key={`${model.responseIdentifier}:${identifier}`}
                onClick={() => press(identifier)}
              >
                {children}
              </Press>
            ),
          }}
        />
      </div>
      <Notice words={notice} />
    </Task>
  );
}
