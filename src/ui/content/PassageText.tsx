'use client';

import { numbersItsParagraphs } from '@/core/content/content';
import type { DeliveredStimulus } from '@/core/item/delivered';
import styles from './content.module.css';
import { useStyled } from './useStyled';
import { ContentView, WrittenIn, type ContentSlots } from './ContentView';

interface Props {
  readonly stimulus: DeliveredStimulus;
  readonly slots: ContentSlots;
}

/** A passage in its own language: its paragraphs numbered, unless it numbers them itself. */
export function PassageText({ stimulus: { body, language, styles: rules }, slots }: Props) {
  const styled = useStyled(rules);
  return (
    <WrittenIn language={language}>
      <div
        className={styles.passage}
        data-passage=""
        {...styled}
        data-numbered={numbersItsParagraphs(body) ? undefined : true}
      >
        <ContentView
          content={body.filter((node) => node.kind !== 'text' || node.text.trim() !== '')}
          slots={slots}
        />
      </div>
    </WrittenIn>
  );
}
