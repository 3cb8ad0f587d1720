'use client';

import { useRef, useState, type KeyboardEvent } from 'react';
import { useTranslations } from 'use-intl';
import {
  cellName,
  cellOf,
  cellsBetween,
  cellsOn,
  switchCells,
  type Cell,
  type CellGridModel,
} from '@/core/interactions/cell-grid';
import type { RawResponse } from '@/core/content/response';
import { Enlargeable } from '../../kit/Enlargeable';
import { useTold } from '../../kit/speech';
import { useSweep } from '../shared/useSweep';
import { Task } from '../shared/Task';
import type { InteractionProps } from '../types';
import styles from './cellGrid.module.css';
import { Button } from '../../kit/Button';
import { Hint } from '../shared/Hint';

/** Cells switched on and off: by press, by sweeping a rectangle, by keys (Shift and an arrow sweeps). */
export function CellGridView({
  model,
  response,
  onAnswer,
  slots,
  announce,
  readOnly,
}: InteractionProps<CellGridModel>) {
  const t = useTranslations('interactions.cellGrid');
  const gridRef = useRef<HTMLDivElement>(null);
  const [focused, setFocused] = useState<Cell>({ row: 1, column: 1 });
  const on = cellsOn(model, response);
  const before = useRef<RawResponse>(response);
  useTold(announce, t('count', { count: on.size }));

  const give = (from: RawResponse, cells: readonly Cell[], value: boolean) => {
    const next = switchCells(model, from, cells, value);
    onAnswer(next);
  };
  const sweep = useSweep(
    (element) => element.getAttribute('data-cell'),
    (key) => {
      before.current = response;
      return !on.has(key);
    },
    (key, value, first) => {
      const [a, b] = [cellOf(model, first), cellOf(model, key)];
      if (!a || !b) return;
      setFocused(b);
      give(before.current, cellsBetween(a, b), value);
    },
    !readOnly,
  );
  const keys = (event: KeyboardEvent) => {
    if (event.altKey || event.metaKey) return;
    const { rows, columns } = model;
    const move = {
      ArrowRight: [0, 1],
      ArrowLeft: [0, -1],
      ArrowDown: [1, 0],
      ArrowUp: [-1, 0],
      Home: [event.ctrlKey ? -rows : 0, -columns],
      End: [event.ctrlKey ? rows : 0, columns],
      PageUp: [-rows, 0],
      PageDown: [rows, 0],
    }[event.key];
    if (event.ctrlKey && event.key !== 'Home' && event.key !== 'End') return;
    if (move) {
      event.preventDefault();
      const to: Cell = {
        row: Math.max(1, Math.min(model.rows, focused.row + (move[0] ?? 0))),
        column: Math.max(1, Math.min(model.columns, focused.column + (move[1] ?? 0))),
      };
      if (event.shiftKey && !readOnly) give(response, [focused, to], true);
      setFocused(to);
      gridRef.current?.querySelector<HTMLElement>(`[data-cell=${cellName(to)}]`)?.focus();
    } else if (event.key === ' ' || event.key === 'Enter') {
      event.preventDefault();
      if (!readOnly) give(response, [focused], !on.has(cellName(focused)));
    }
  };
  return (
    <Task model={model} slots={slots}>
      <Hint>{t('hint')}</Hint>
      <Enlargeable name={t('grid')}>
        <p className={styles.count}>
          <span>{t('count', { count: on.size })}</span>{' '}
          <Button
            disabled={readOnly || on.size === 0}
            onClick={() => {
              onAnswer(null);
            }}
          >
            {t('clear')}
          </Button>
        </p>
        <div
          ref={gridRef}
          className={styles.grid}
          role="grid"
          tabIndex={-1}
          aria-label={t('label', { rows: model.rows, columns: model.columns })}
          style={{
            gridTemplateColumns: `repeat(${model.columns}, minmax(0, 1fr))`,
            maxWidth: `${model.columns * 2.75 + 0.25}rem`,
          }}
          onKeyDown={keys}
          {...sweep}
        >
          {Array.from({ length: model.rows }, (_, r) => (
            <div key={r} role="row" className={styles.row}>
              {Array.from({ length: model.columns }, (_c, c) => {
                const cell = { row: r + 1, column: c + 1 };
                const name = cellName(cell);
                const here = focused.row === cell.row && focused.column === cell.column;
                return (
                  <div
                    key={name}
                    role="gridcell"
                    className={styles.cell}
                    tabIndex={here ? 0 : -1}
                    aria-selected={on.has(name)}
                    aria-label={t('cell', cell)}
                    data-cell={name}
                    data-on={on.has(name) || undefined}
                    onFocus={() => setFocused(cell)}
                  />
                );
              })}
            </div>
          ))}
        </div>
      </Enlargeable>
    </Task>
  );
}
