'use client';

import { Volume2 } from 'lucide-react';
import { useTranslations } from 'use-intl';
import { Press } from '../../kit/Button';
import { stretchOf } from '../domText';
import shared from '../tools.module.css';
import type { ChoiceMarkProps } from '../types';
import { useWindows } from '../useWindows';
import { reader } from './reader';
import { useScript } from './useScript';

/** Reads one choice alone; there while the window of read aloud is open. */
export function ReadChoice({ label, inline }: ChoiceMarkProps) {
  const t = useTranslations('tools.read-aloud');
  const windows = useWindows();
  const scriptIn = useScript();
  if (inline || !windows.open.includes('read-aloud')) return null;
  const read = async (mark: Element) => {
    const root = mark.closest<HTMLElement>('[data-text-root]');
    const words = choiceOf(mark);
    if (!root || !words) return;
    const range = document.createRange();
    range.selectNodeContents(words);
    const its = stretchOf(root, range);
    // A choice that is only a picture or a formula is spoken as what stands at its place.
    const sentences = (await scriptIn(root)).filter(
      ({ start, end }) => its !== null && end > its.start && start < its.end,
    );
    reader.read(root, sentences);
  };
  return (
    <Press
      className={shared.choiceMark}
      aria-label={t('choice', { label })}
      title={t('choiceShort')}
      onClick={({ currentTarget }) => void read(currentTarget)}
    >
      <Volume2 size="1.15em" aria-hidden="true" />
    </Press>
  );
}

/** The words of the choice that a mark stands at the end of. */
function choiceOf(mark: Element): Element | null {
  for (let around = mark.parentElement; around; around = around.parentElement) {
    const words = around.querySelector('[data-choice-text]');
    if (words) return words;
  }
  return null;
}
