'use client';

import type { Content } from '@/core/content/content';
import { ContentView, type ContentSlots } from '../content/ContentView';
import styles from './shared.module.css';

/** The task of an interaction, as the label of its answer places. */
export function Prompt({ id, content, slots }: { id: string; content: Content; slots: ContentSlots }) {
  if (content.length === 0) return null;
  return (
    <div id={id} className={styles.prompt}>
      <ContentView content={content} slots={slots} />
    </div>
  );
}
