'use client';

import { useRef } from 'react';
import { useTranslations } from 'use-intl';
import { useKept } from '../../attempt/PlayerContext';
import { Press } from '../../kit/Button';
import { useWindows } from '../../tools/useWindows';
import { ToolPanel } from './ToolPanel';
import styles from './rail.module.css';
import { isOn, type OpenPanel, type ToolHere } from './tools';

interface Props extends OpenPanel {
  readonly here: ToolHere;
  readonly itemRef: string | null;
  readonly act: (here: ToolHere) => void;
}

/** A tool of the rail: its sign, its name and, where it has one and it is open, its panel. */
export function ToolButton({ here, itemRef, open, setOpen, act }: Props) {
  const { tool, standing } = here;
  const t = useTranslations('tools');
  const [state] = useKept(tool.id, tool.state);
  const windows = useWindows();
  const ref = useRef<HTMLButtonElement>(null);
  const name = t(`${tool.id as 'eliminator'}.name`);
  const away = standing === 'elsewhere';
  const panelOpen = open === tool.id && !away;
  const isOpen = tool.button === 'window' ? windows.open.includes(tool.id) && !away : panelOpen;
  const active = tool.button === 'switch' ? isOn(state) : isOpen;
  const { Icon, Panel } = tool;
  return (
    <>
      <Press
        ref={ref}
        className={styles.tool}
        data-tool={tool.id}
        data-on={active || undefined}
        data-away={away || undefined}
        aria-disabled={away || undefined}
        aria-pressed={tool.button === 'switch' ? active : undefined}
        aria-expanded={tool.button === 'switch' ? undefined : isOpen}
        title={away ? t('notHere', { name }) : t(`${tool.id as 'eliminator'}.about`)}
        onClick={() => act(here)}
      >
        <Icon size="1.375em" strokeWidth={1.9} aria-hidden="true" />
        {name}
        {away && <span className={styles.away}>{t('notHereShort')}</span>}
      </Press>
      {panelOpen && Panel && itemRef !== null && (
        <ToolPanel
          name={name}
          onClose={() => {
            setOpen(null);
            ref.current?.focus();
          }}
        >
          <Panel itemRef={itemRef} />
        </ToolPanel>
      )}
    </>
  );
}
