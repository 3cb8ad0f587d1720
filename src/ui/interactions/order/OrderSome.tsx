'use client';

import { useTranslations } from 'use-intl';
import { identifiersOf, type OrderModel } from '@/core/interactions/order';
import { contentText } from '@/core/content/content';
import { ContentView } from '../../content/ContentView';
import { CountChip } from '../shared/CountChip';
import { Notice } from '../shared/Notice';
import placing from '../shared/placing/placing.module.css';
import { SequenceList } from '../shared/SequenceList';
import { useSequence } from '../shared/useSequence';
import { Task } from '../shared/Task';
import type { InteractionProps } from '../types';
import styles from './order.module.css';
import { Press } from '../../kit/Button';
import { Hint } from '../shared/Hint';

/** Some of a list picked in order: a press puts one at the end, the order can be changed below. */
export function OrderSome(props: InteractionProps<OrderModel>) {
  const { model, slots } = props;
  const t = useTranslations('interactions.order');
  const contentOf = (identifier: string) =>
    model.choices.find((one) => one.identifier === identifier)?.content ?? [];
  const nameOf = (identifier: string) => contentText(contentOf(identifier)) || identifier;
  const { sequence, notice, move, remove, press } = useSequence(
    props,
    identifiersOf(model),
    model.counts.maximum,
    nameOf,
  );
  return (
    <Task model={model} slots={slots} className={styles.block} unit={false}>
      <CountChip counts={model.counts} chosen={sequence.length} />
      <Hint>{t('pickHint')}</Hint>
      <div
        className={placing.list}
        role="group"
        aria-label={t('toPick')}
        data-unit="choice"
        data-unit-key="list"
      >
        {model.choices.map(({ identifier, content }) =>
          sequence.includes(identifier) ? (
            <span key={identifier} className={placing.used} aria-hidden="true" />
          ) : (
            <Press
              key={identifier}
              className={placing.piece}
              data-piece={identifier}
              onClick={() => press(identifier)}
            >
              <ContentView content={content} slots={slots} />
            </Press>
          ),
        )}
      </div>
      <Notice words={notice} />
      <SequenceList
        sequence={sequence}
        nameOf={nameOf}
        draw={(identifier) => <ContentView content={contentOf(identifier)} slots={slots} />}
        onMove={move}
        onRemove={remove}
      />
    </Task>
  );
}
