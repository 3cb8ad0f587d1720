'use client';

import { X } from 'lucide-react';
import { useEffect, useRef, type ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import { usePlayer } from '../../attempt/PlayerContext';
import { Press } from '../../kit/Button';
import styles from './rail.module.css';

interface Props {
  readonly name: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** An open panel beside the rail; Escape or its cross closes it and goes back to the button. */
export function ToolPanel({ name, onClose, children }: Props) {
  const t = useTranslations('tools');
  const { layout } = usePlayer();
  const ref = useRef<HTMLElement>(null);
  useEffect(() => {
    ref.current?.querySelector<HTMLElement>('[data-panel-title]')?.focus();
  }, []);
  // Magnifying moves and enlarges the panel: it stays in view, so that the next press is where the last one was.
  useEffect(() => {
    const panel = ref.current;
    if (!panel) return undefined;
    const sizes = new ResizeObserver(() => panel.scrollIntoView({ block: 'nearest' }));
    sizes.observe(panel);
    return () => sizes.disconnect();
  }, [layout]);
  return (
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- Escape closes from anywhere inside
    <section
      ref={ref}
      className={styles.panel}
      aria-label={name}
      onKeyDown={(event) => {
        if (event.key === 'Escape') onClose();
      }}
    >
      <header className={styles.panelHead}>
        <h2 tabIndex={-1} data-panel-title="">
          {name}
        </h2>
        <Press
          className={styles.close}
          aria-label={t('close', { name })}
          title={t('close', { name })}
          onClick={onClose}
        >
          <X size="1.2em" aria-hidden="true" />
        </Press>
      </header>
      {children}
    </section>
  );
}
