'use client';

import type { DeliveredItem } from '@/core/item/delivered';
import { ContentView } from '../../content/ContentView';
import { feedbackWords } from '@/core/item/said';
import { useTold } from '../../kit/speech';
import { usePlayer } from '../../attempt/PlayerContext';
import styles from './sheets.module.css';

/** What the last check of this question had to say; it stays until the next. */
export function Feedback({ item }: { item: DeliveredItem }) {
  const { assetUrl, announce } = usePlayer();
  useTold(announce, feedbackWords(item));
  return item.feedback.map((one, i) => (
    <section key={i} className={styles.feedback}>
      {one.title !== '' && <h3>{one.title}</h3>}
      <ContentView content={one.content} slots={{ assetUrl }} />
    </section>
  ));
}
