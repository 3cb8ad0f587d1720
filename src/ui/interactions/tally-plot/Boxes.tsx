'use client';

import { DndContext, pointerWithin, useDraggable, useDroppable } from '@dnd-kit/core';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import { QUIET, useDragSensors } from '../shared/placing/dragging';
import styles from './tallyPlot.module.css';
import { ValueField, type PlotProps } from './ValueField';

/** Boxes with counters: dragged in from the supply, out again, or from box to box; the buttons do the same. */
export function Boxes({ model, values, set, move, readOnly }: PlotProps) {
  const t = useTranslations('interactions.tallyPlot');
  const sensors = useDragSensors();
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      accessibility={QUIET}
      onDragEnd={({ active, over }) => {
        const from = active.data.current?.box as number | null;
        const to = over === null ? null : Number(over.id);
        if (from !== to) move(from, to);
      }}
    >
      {!readOnly && (
        <div className={styles.supply}>
          <Counter id="supply" box={null} disabled={readOnly} />
          <span>{t('supply')}</span>
        </div>
      )}
      <div className={styles.boxes}>
        {model.categories.map((category, i) => (
          <Box key={i} index={i} label={t('box', { category, count: values[i] ?? 0 })}>
            <span className={styles.category}>{category}</span>
            <span className={styles.counters}>
              {Array.from({ length: Math.round((values[i] ?? 0) / model.step) }, (_, n) => (
                <Counter key={n} id={`${i}-${n}`} box={i} disabled={readOnly} />
              ))}
            </span>
            <ValueField model={model} values={values} set={set} move={move} readOnly={readOnly} index={i} />
          </Box>
        ))}
      </div>
    </DndContext>
  );
}

function Box({ index, label, children }: { index: number; label: string; children: ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id: String(index) });
  return (
    <div
      ref={setNodeRef}
      className={styles.box}
      role="group"
      aria-label={label}
      data-box={index}
      data-over={isOver || undefined}
    >
      {children}
    </div>
  );
}

function Counter({ id, box, disabled }: { id: string; box: number | null; disabled: boolean }) {
  const { setNodeRef, listeners, transform } = useDraggable({ id, data: { box }, disabled });
  return (
    <span
      ref={setNodeRef}
      className={styles.counter}
      data-counter={id}
      aria-hidden="true"
      style={
        transform ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 5 } : undefined
      }
      {...listeners}
    />
  );
}
