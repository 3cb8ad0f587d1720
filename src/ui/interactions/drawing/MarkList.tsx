'use client';

import { X } from 'lucide-react';
import { useTranslations } from 'use-intl';
import { saidMark, type Mark } from '@/core/interactions/drawing/marks';
import { Button } from '../../kit/Button';
import { Fold } from '../../kit/Fold';
import { useSaid } from '../useSaid';
import styles from './drawing.module.css';

interface Props {
  readonly marks: readonly Mark[];
  readonly sheet: { readonly width: number; readonly height: number };
  /** Absent where the drawing is only looked at. */
  readonly onErase?: (index: number) => void;
}

/** What is on the sheet, in words, each to be erased by a press: for whoever does not see it, or can't hit a thin line. */
export function MarkList({ marks, sheet, onErase }: Props) {
  const t = useTranslations('interactions.drawing');
  const { phrase } = useSaid();
  if (marks.length === 0) return null;
  return (
    <Fold className={styles.marks} title={t('onSheet', { count: marks.length })}>
      <ol>
        {marks.map((mark, i) => {
          const words = phrase(saidMark(mark, sheet));
          return (
            <li key={i}>
              {words}
              {onErase && (
                <Button
                  look="quiet"
                  aria-label={t('eraseMark', { mark: words })}
                  title={t('eraseMark', { mark: words })}
                  onClick={() => onErase(i)}
                >
                  <X size="1.2em" aria-hidden="true" />
                </Button>
              )}
            </li>
          );
        })}
      </ol>
    </Fold>
  );
}
