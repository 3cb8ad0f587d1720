'use client';

import { ChevronDown, ChevronUp, X } from 'lucide-react';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import styles from './sequence.module.css';
import { Button } from '../../kit/Button';

interface Props {
  readonly sequence: readonly string[];
  readonly nameOf: (identifier: string) => string;
  readonly draw: (identifier: string) => ReactNode;
  readonly onMove: (identifier: string, place: number) => void;
  readonly onRemove: (identifier: string) => void;
}

/** An order being made: each line with up, down and out. */
export function SequenceList({ sequence, nameOf, draw, onMove, onRemove }: Props) {
  const t = useTranslations('interactions.order');
  if (sequence.length === 0) return <p className={styles.none}>{t('nothingYet')}</p>;
  return (
    <ol className={styles.list} aria-label={t('yours')}>
      {sequence.map((identifier, place) => {
        const name = nameOf(identifier);
        const button = (key: 'up' | 'down' | 'out', icon: ReactNode, act: () => void, disabled = false) => (
          <Button
            look="quiet"
            aria-label={t(key, { name })}
            title={t(`${key}Short`)}
            disabled={disabled}
            onClick={act}
          >
            {icon}
          </Button>
        );
        return (
          <li key={identifier} className={styles.line} data-line={identifier}>
            <span className={styles.number} aria-hidden="true">
              {place + 1}
            </span>
            <span className={styles.text}>{draw(identifier)}</span>
            {button(
              'up',
              <ChevronUp size="1.25em" aria-hidden="true" />,
              () => onMove(identifier, place - 1),
              place === 0,
            )}
            {button(
              'down',
              <ChevronDown size="1.25em" aria-hidden="true" />,
              () => onMove(identifier, place + 1),
              place === sequence.length - 1,
            )}
            {button('out', <X size="1.125em" aria-hidden="true" />, () => onRemove(identifier))}
          </li>
        );
      })}
    </ol>
  );
}
