'use client';

import { useEffect } from 'react';
import { useTranslations } from 'use-intl';
import { useKept, usePlayer } from '../../attempt/PlayerContext';
import { inManner, learn } from '../../content/formulas/engine';
import { mathmlOf, spokenMaths } from '../spokenMaths';
import { useHandler } from '../../kit/useHandler';
import { BRAILLE } from './state';

/** Set on what has its labels from here, so that they can be taken away again. */
const OURS = 'data-braille';

/**
 * Gives every formula on the screen its Nemeth braille (ARIA, `aria-braillelabel`) beside its words, without which a label in braille says
 * nothing to anybody else. What is drawn later has them too.
 */
export function BrailleLabels() {
  const said = useTranslations('said');
  const t = useTranslations('tools.braille');
  const { announce } = usePlayer();
  const [{ on }] = useKept('braille', BRAILLE);
  const label = useHandler((math: Element) => {
    const cells = inManner(mathmlOf(math), 'nemeth');
    if (cells === null) return;
    if (!math.hasAttribute('aria-label')) {
      math.setAttribute('aria-label', spokenMaths(said)(math));
      math.setAttribute(OURS, 'both');
    } else math.setAttribute(OURS, 'cells');
    math.setAttribute('aria-braillelabel', cells);
  });
  const failed = useHandler(() => announce(t('failed')));
  useEffect(() => {
    if (!on) return undefined;
    let gone = false;
    const look = () => {
      for (const math of document.querySelectorAll(`math:not([${OURS}])`)) label(math);
    };
    const watcher = new MutationObserver(look);
    learn('nemeth').then(
      () => {
        if (gone) return;
        look();
        watcher.observe(document.body, { childList: true, subtree: true });
      },
      () => !gone && failed(),
    );
    return () => {
      gone = true;
      watcher.disconnect();
      for (const math of document.querySelectorAll(`math[${OURS}]`)) {
        if (math.getAttribute(OURS) === 'both') math.removeAttribute('aria-label');
        math.removeAttribute('aria-braillelabel');
        math.removeAttribute(OURS);
      }
    };
  }, [failed, label, on]);
  return null;
}
