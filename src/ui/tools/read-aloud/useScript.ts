'use client';

import { useTranslations } from 'use-intl';
import { scriptOf, type Sentence } from '@/core/tools/speech';
import { learnFormulas } from '../../content/formulas/engine';
import { languageOf, spokenMaths } from '../spokenMaths';
import { piecesOf } from './pieces';

/** Whoever asks to be read to waits no longer for the words of formulas; then they are said more simply. */
const PATIENCE_MS = 2000;
const wait = () => new Promise<void>((resolve) => setTimeout(resolve, PATIENCE_MS));

/** What is spoken of a text of the page, sentence by sentence. */
export function useScript(): (root: HTMLElement) => Promise<readonly Sentence[]> {
  const t = useTranslations('tools.read-aloud');
  const said = useTranslations('said');
  return async (root) => {
    const languages = new Set([...root.querySelectorAll('math')].map(languageOf));
    await Promise.race([Promise.allSettled([...languages].map(learnFormulas)), wait()]);
    return scriptOf(
      piecesOf(root, spokenMaths(said), {
        picture: (words) => t('picture', { words }),
        cell: (header) => t('cell', { header }),
      }),
    );
  };
}
