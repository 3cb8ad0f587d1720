'use client';

import { Palette } from 'lucide-react';
import { useId } from 'react';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { ownColours } from '@/core/view/palette';
import { SCHEME_IDS, SCHEMES } from '@/core/view/schemes';
import { useKept } from '../../attempt/PlayerContext';
import { defineTool, type ToolState } from '../types';
import styles from './colours.module.css';
import { OwnColoursChoice } from './OwnColoursChoice';

const state = z.object({
  scheme: z.enum(SCHEME_IDS),
  inverted: z.boolean(),
  /** Two colours of the student's own; null = those of the scheme. */
  own: z.nullable(ownColours),
});
export type ColoursState = z.infer<typeof state>;
export const COLOURS: ToolState<ColoursState> = {
  schema: state,
  initial: ({ scheme, inverted, own }) => ({ scheme, inverted, own }),
  scope: 'test',
};

/** Colours for text and page; every scheme at least 7:1, and it applies to everything on the screen. */
function ColoursPanel() {
  const t = useTranslations('tools.colours');
  const [{ scheme, inverted, own }, keep] = useKept('colours', COLOURS);
  // Its panel and My view may both be open.
  const group = useId();
  return (
    <fieldset className={styles.list}>
      <legend>{t('legend')}</legend>
      {SCHEME_IDS.map((id) => {
        const { palette } = SCHEMES[id];
        return (
          <label key={id} className={styles.scheme} data-on={(own === null && scheme === id) || undefined}>
            <input
              type="radio"
              name={group}
              checked={own === null && scheme === id}
              onChange={() => keep({ scheme: id, own: null })}
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
      <OwnColoursChoice own={own} onUse={(next) => keep({ own: next })} />
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
  group: 'looking',
  access: 'everyone',
  inMyView: true,
  often: true,
  Panel: ColoursPanel,
  state: COLOURS,
  pageLook: ({ scheme, inverted, own }) => ({ scheme, inverted, own }),
});
