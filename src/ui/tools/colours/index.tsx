'use client';

import { Palette } from 'lucide-react';
import { useTranslations } from 'use-intl';
import { SCHEME_IDS, SCHEMES, type SchemeId } from '@/core/view/schemes';
import { usePlayer, useToolState } from '../../player/PlayerContext';
import type { ToolDefinition } from '../types';
import styles from './colours.module.css';

/** Colours for text and page; every scheme at least 7:1, and it applies to everything on the screen. */
function ColoursPanel() {
  const t = useTranslations('tools.colours');
  const { needs } = usePlayer();
  const [{ scheme }, keep] = useToolState<{ scheme: SchemeId }>('colours', { scheme: needs.scheme });
  return (
    <fieldset className={styles.list}>
      <legend>{t('legend')}</legend>
      {SCHEME_IDS.map((id) => {
        const { palette } = SCHEMES[id];
        return (
          <label key={id} className={styles.scheme} data-on={scheme === id || undefined}>
            <input
              type="radio"
              name="able-scheme"
              checked={scheme === id}
              onChange={() => keep({ scheme: id })}
            />
            <span
              className={styles.sample}
              style={
                {
                  '--sample-sheet': palette.sheet,
                  '--sample-ink': palette.ink,
                  '--sample-edge': palette.accent,
                } as React.CSSProperties
              }
              aria-hidden="true"
            >
              {t('sample')}
            </span>
            {t(`schemes.${id}`)}
          </label>
        );
      })}
    </fieldset>
  );
}

export const colours: ToolDefinition = {
  id: 'colours',
  Icon: Palette,
  letter: 'C',
  button: 'panel',
  Panel: ColoursPanel,
};
