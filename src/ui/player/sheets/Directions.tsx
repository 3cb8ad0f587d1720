'use client';

import { useTranslations } from 'use-intl';
import { directionsFor } from '@/core/item/delivered';
import { usePlayer } from '../../attempt/PlayerContext';
import { ContentView, SentenceWith } from '../../content/ContentView';
import { Fold } from '../../kit/Fold';

/**
 * The directions of a question's section: open before the first of its questions, a press away before the others.
 * @param once only before the first: the others stand below it
 */
export function Directions({ itemRef, once }: { itemRef: string; once: boolean }) {
  const t = useTranslations('question');
  const { test, assetUrl } = usePlayer();
  const found = directionsFor(test, itemRef);
  if (!found || (once && !found.first)) return null;
  const { section, first } = found;
  return (
    <Fold
      className="able-directions"
      open={first}
      title={
        section.title === '' ? (
          t('directions')
        ) : (
          <SentenceWith
            title={section.title}
            language={test.language}
            say={(title) => t('directionsOf', { title })}
          />
        )
      }
    >
      <ContentView content={section.directions} slots={{ assetUrl, enlarge: true }} />
    </Fold>
  );
}
