'use client';

import { useTranslations } from 'use-intl';
import { scriptOf, type Sentence } from '@/core/tools/speech';
import { piecesOf } from './pieces';
import { spokenMaths } from './spokenMaths';

/** What is spoken of a text of the page, sentence by sentence. */
export function useScript(): (root: HTMLElement) => readonly Sentence[] {
  const t = useTranslations('tools.read-aloud');
  const said = useTranslations('said');
  return (root) =>
    scriptOf(
      piecesOf(root, spokenMaths(said), {
        picture: (words) => t('picture', { words }),
        cell: (header) => t('cell', { header }),
      }),
    );
}
