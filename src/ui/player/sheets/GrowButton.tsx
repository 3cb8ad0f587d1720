'use client';

import { ArrowLeftRight, Columns2, Maximize2 } from 'lucide-react';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { useKept, usePlayer } from '../../attempt/PlayerContext';
import { Button } from '../../kit/Button';
import type { Side } from '../useTurning';
import styles from './sheets.module.css';

const state = z.object({
  /** The passage's part of the width or height, in per cent. */
  share: z.number().check(z.minimum(10), z.maximum(90)),
  /** The one sheet shown alone, if any. */
  alone: z.nullable(z.enum(['passage', 'question'])),
});
/** How the two sheets share the screen. */
export const SHEETS = {
  schema: state,
  initial: (): z.infer<typeof state> => ({ share: 50, alone: null }),
};

interface Props {
  readonly sheet: Side;
  readonly onTurn: (to: Side) => void;
}

/** Lets a sheet grow to the full width, and back; where there is room for one only, turns to the other. */
export function GrowButton({ sheet, onTurn }: Props) {
  const t = useTranslations('passage');
  const { layout } = usePlayer();
  const [{ alone }, keep] = useKept('sheets', SHEETS);
  if (layout === 'narrow') {
    const other = sheet === 'passage' ? 'question' : 'passage';
    return (
      <Button small className={styles.turn} title={t(`turn.${other}`)} onClick={() => onTurn(other)}>
        <ArrowLeftRight size="1.1em" aria-hidden="true" />
        <span className={styles.turnName}>{t(`turn.${other}`)}</span>
      </Button>
    );
  }
  const grown = alone === sheet;
  return (
    <Button
      look="quiet"
      onClick={() => keep({ alone: grown ? null : sheet })}
      title={grown ? t('beside') : t(`grow.${sheet}`)}
      aria-label={grown ? t('beside') : t(`grow.${sheet}`)}
    >
      {grown ? <Columns2 size="1.15em" aria-hidden="true" /> : <Maximize2 size="1.15em" aria-hidden="true" />}
    </Button>
  );
}
