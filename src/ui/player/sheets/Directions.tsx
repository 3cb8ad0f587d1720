'use client';

import { ChevronRight } from 'lucide-react';
import { useTranslations } from 'use-intl';
import { directionsFor } from '@/core/item/delivered';
import { usePlayer } from '../../attempt/PlayerContext';
import { ContentView } from '../../content/ContentView';
import styles from './sheets.module.css';

/** The directions of a question's section: open before the first of its questions, a press away before the others. */
export function Directions({ itemRef }: { itemRef: string }) {
  const t = useTranslations('question');
  const { test, assetUrl } = usePlayer();
  const found = directionsFor(test, itemRef);
  if (!found) return null;
  const { section, first } = found;
  return (
    <details className={`able-directions ${styles.directions}`} open={first}>
      <summary>
        <ChevronRight size="1.1em" aria-hidden="true" />
        {section.title === '' ? t('directions') : t('directionsOf', { title: section.title })}
      </summary>
      <ContentView content={section.directions} slots={{ assetUrl, enlarge: true }} />
    </details>
  );
}
