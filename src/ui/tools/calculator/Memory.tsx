'use client';

import { useTranslations } from 'use-intl';
import type { CalculatorKind } from '@/core/item/materials';
import { remembered } from '@/core/tools/calculator';
import { useKept, usePlayer } from '../../attempt/PlayerContext';
import { Button } from '../../kit/Button';
import styles from './calculator.module.css';
import { CALCULATOR } from './state';

interface Props {
  readonly kind: CalculatorKind;
  /** The last result, as it would be typed; null where there is none. */
  readonly result: string | null;
  readonly onPut: (text: string) => void;
}

/** The memory, and what angles are counted in where there are any. */
export function Memory({ kind, result, onPut }: Props) {
  const t = useTranslations('tools.calculator');
  const { announce } = usePlayer();
  const [{ memory, angle }, keep] = useKept('calculator', CALCULATOR);
  const remember = (sign: '+' | '−') => {
    if (result === null) return;
    const next = remembered(memory, sign, result);
    keep({ memory: next });
    announce(t('memoryNow', { value: next }));
  };
  const turns = kind === 'scientific' || kind === 'graphing';
  return (
    <div className={styles.memory} role="group" aria-label={t('memory')}>
      <Button
        small
        onClick={() => remember('+')}
        disabled={result === null}
        aria-label={t('keys.memoryPlus')}
      >
        M+
      </Button>
      <Button
        small
        onClick={() => remember('−')}
        disabled={result === null}
        aria-label={t('keys.memoryMinus')}
      >
        M−
      </Button>
      <Button
        small
        onClick={() => memory !== null && onPut(memory)}
        disabled={memory === null}
        aria-label={memory === null ? t('keys.memoryRecall') : t('memoryPut', { value: memory })}
      >
        {memory === null ? t('memoryEmpty') : t('memoryShort', { value: memory })}
      </Button>
      <Button
        small
        onClick={() => {
          keep({ memory: null });
          announce(t('memoryGone'));
        }}
        disabled={memory === null}
        aria-label={t('keys.memoryClear')}
      >
        MC
      </Button>
      {turns && (
        <Button
          small
          onClick={() => {
            const next = angle === 'degrees' ? 'radians' : 'degrees';
            keep({ angle: next });
            announce(t(`angleNow.${next}`));
          }}
        >
          {t(`angle.${angle}`)}
        </Button>
      )}
    </div>
  );
}
