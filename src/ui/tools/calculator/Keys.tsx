'use client';

import { Delete } from 'lucide-react';
import { useTranslations } from 'use-intl';
import type { CalculatorKind } from '@/core/item/materials';
import { keysOf, type CalculatorKey } from '@/core/tools/calculator';
import { Button } from '../../kit/Button';
import styles from './calculator.module.css';

interface Props {
  readonly kind: CalculatorKind;
  readonly nameOf: (key: CalculatorKey) => string | undefined;
  readonly onPress: (key: CalculatorKey) => void;
  readonly onClear: () => void;
  readonly onTakeBack: () => void;
  readonly onEquals: () => void;
}

/** The keys, in blocks of five to a row. A press of the hand leaves the caret in the line. */
export function Keys({ kind, nameOf, onPress, onClear, onTakeBack, onEquals }: Props) {
  const t = useTranslations('tools.calculator');
  const blocks = keysOf(kind);
  return (
    <div className={styles.keys} onMouseDown={(event) => event.preventDefault()} role="presentation">
      {blocks.map((block, i) => (
        <div key={i} className={styles.block}>
          {block.map((one) => (
            <Button
              key={`${one.sign} ${one.puts}`}
              className={styles.key}
              data-digit={/^\d$/.test(one.sign) || undefined}
              aria-label={nameOf(one)}
              title={nameOf(one)}
              onClick={() => onPress(one)}
            >
              {one.name === 'negative' ? '±' : one.sign}
            </Button>
          ))}
          {i === blocks.length - 1 && (
            <>
              <Button className={styles.key} onClick={onClear} aria-label={t('keys.clear')}>
                {t('clear')}
              </Button>
              <Button className={styles.key} onClick={onTakeBack} aria-label={t('keys.takeBack')}>
                <Delete size="1.15em" aria-hidden="true" />
              </Button>
              <Button className={styles.equals} look="main" onClick={onEquals} aria-label={t('keys.equals')}>
                =
              </Button>
            </>
          )}
        </div>
      ))}
    </div>
  );
}
