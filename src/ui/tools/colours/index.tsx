'use client';

import { Palette } from 'lucide-react';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { SCHEME_IDS, SCHEMES, type SchemeId } from '@/core/view/schemes';
import { useKept } from '../../attempt/PlayerContext';
import { defineTool, type ToolState } from '../types';
import styles from './colours.module.css';

const STATE: ToolState<{ scheme: SchemeId; inverted: boolean }> = {
  schema: z.object({ scheme: z.enum(SCHEME_IDS), inverted: z.boolean() }),
  initial: (needs) => ({ scheme: needs.scheme, inverted: false }),
  scope: 'test',
};

/** Colours for text and page; every scheme at least 7:1, and it applies to everything on the screen. */
function ColoursPanel() {
  const t = useTranslations('tools.colours');
  const [{ scheme, inverted }, keep] = useKept('colours', STATE);
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
      <label className={styles.scheme} data-on={inverted || undefined}>
        <input type="checkbox" checked={inverted} onChange={() => keep({ inverted: !inverted })} />
        {t('invert')}
      </label>
    </fieldset>
  );
}

export const colours = defineTool({
  id: 'colours',
  Icon: Palette,
  letter: 'C',
  button: 'panel',
  Panel: ColoursPanel,
  state: STATE,
  pageLook: ({ scheme, inverted }) => ({ scheme, inverted }),
});
