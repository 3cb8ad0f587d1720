'use client';

import { useState, type KeyboardEvent, type ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import { useDrag } from '../../kit/useDrag';
import type { LineGeometry } from './Axis';
import styles from './numberLine.module.css';

interface Props {
  readonly geometry: LineGeometry;
  /** Where it sits, 0 to 1; beyond for an end that runs on. */
  readonly at: number;
  readonly label: string;
  readonly valueText: string;
  /** Numbers for the slider role: a share of the line in thousandths. */
  readonly readOnly: boolean;
  readonly children: ReactNode;
  /** Dragged to a share of the line. */
  readonly onDrag: (at: number) => void;
  readonly onStep: (direction: 1 | -1) => void;
  readonly onEdge?: (edge: 'first' | 'last') => void;
  readonly onRemove: () => void;
  /** A press without a drag, Space or Enter. */
  readonly onPress?: () => void;
  /** A value typed on the handle and given with Enter. */
  readonly onValue: (text: string) => void;
}

/** Something that slides along the line: by hand, by arrow keys; Delete takes it away. */
export function LineHandle({
  geometry,
  at,
  label,
  valueText,
  readOnly,
  children,
  onDrag,
  onStep,
  onEdge,
  onRemove,
  onPress,
  onValue,
}: Props) {
  const t = useTranslations('interactions.numberLine');
  const shareOf = (clientX: number, element: HTMLElement): number => {
    const box = element.closest('[data-line]')?.getBoundingClientRect();
    return box ? geometry.toAt(((clientX - box.left) / box.width) * geometry.width) : 0;
  };
  const { dragging, handlers } = useDrag({
    enabled: !readOnly,
    begin: (event) => {
      event.stopPropagation();
      return { at };
    },
    move: (event) => onDrag(shareOf(event.clientX, event.currentTarget)),
    end: (event, _start, moved) => {
      event.stopPropagation();
      if (!moved) onPress?.();
    },
    cancel: (start) => onDrag(start.at),
    along: 'x',
    slack: 5,
  });
  const [typed, setTyped] = useState<string | null>(null);
  /** Digits write a value; Enter gives it, Escape forgets it. True when the key was one of these. */
  const typing = (key: string): boolean => {
    if (/^[\d./-]$/.test(key) || (typed !== null && key === ' '))
      setTyped(`${typed ?? ''}${key}`.slice(0, 20));
    else if (typed === null) return false;
    else if (key === 'Backspace') setTyped(typed.length > 1 ? typed.slice(0, -1) : null);
    else if (key === 'Escape') setTyped(null);
    else if (key === 'Enter') {
      onValue(typed);
      setTyped(null);
    } else return false;
    return true;
  };
  const keys = (event: KeyboardEvent) => {
    if (readOnly || event.altKey || event.ctrlKey) return;
    if (typing(event.key)) {
      event.preventDefault();
      event.stopPropagation();
      return;
    }
    const acts: Record<string, (() => void) | undefined> = {
      ArrowRight: () => onStep(1),
      ArrowUp: () => onStep(1),
      ArrowLeft: () => onStep(-1),
      ArrowDown: () => onStep(-1),
      Home: onEdge && (() => onEdge('first')),
      End: onEdge && (() => onEdge('last')),
      Delete: onRemove,
      Backspace: onRemove,
      Enter: onPress,
      ' ': onPress,
    };
    const act = acts[event.key];
    if (!act) return;
    event.preventDefault();
    act();
  };
  return (
    <div
      className={styles.handle}
      style={{ left: `${(geometry.toX(at) / geometry.width) * 100}%`, top: geometry.y }}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-roledescription={t('handle')}
      aria-valuemin={0}
      aria-valuemax={1000}
      aria-valuenow={Math.round(Math.max(0, Math.min(1, at)) * 1000)}
      aria-valuetext={typed === null ? valueText : t('typing', { text: typed })}
      aria-readonly={readOnly || undefined}
      data-handle=""
      data-dragging={dragging || undefined}
      {...handlers}
      onBlur={() => setTyped(null)}
      onClick={(event) => event.stopPropagation()}
      onKeyDown={keys}
    >
      {children}
      {typed !== null && <span className={styles.typing}>{typed}</span>}
    </div>
  );
}
