'use client';

import { numbersItsParagraphs, type Content } from '@/core/content/content';
import styles from './content.module.css';
import { ContentView, type ContentSlots } from './ContentView';

/** A passage: its paragraphs numbered, unless it numbers them itself. */
export function PassageText({ body, slots }: { body: Content; slots: ContentSlots }) {
  return (
    <div
      className={styles.passage}
      data-passage=""
      data-numbered={numbersItsParagraphs(body) ? undefined : true}
    >
      <ContentView
        content={body.filter((node) => node.kind !== 'text' || node.text.trim() !== '')}
        slots={slots}
      />
    </div>
  );
}
