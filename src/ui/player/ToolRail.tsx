'use client';

import { Wrench, X } from 'lucide-react';
import { memo, useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { own } from '@/core/own';
import type { ToolDefinition } from '../tools/types';
import styles from './toolRail.module.css';
import { readKept, type Kept } from '../attempt/kept';
import { toolsFor } from './tools';
import { useAttempt, useKept, usePlayer } from '../attempt/PlayerContext';
import { Press } from '../kit/Button';

interface Props {
  readonly openTool: string | null;
  readonly onOpenTool: (id: string | null) => void;
}

/** The named tools beside the sheets, and the panel of the one that is open. */
export const ToolRail = memo(function ToolRail({ openTool, onOpenTool }: Props) {
  const t = useTranslations('tools');
  const { layout, tight, needs, test } = usePlayer();
  const current = useAttempt((state) => state.current);
  const tools = toolsFor(needs, current === null ? null : (own(test.items, current) ?? null));
  const [shown, setShown] = useState(false);
  const narrow = layout === 'narrow';
  const expanded = shown || openTool !== null;
  const toggleAll = () => {
    setShown(!expanded);
    onOpenTool(null);
  };
  return (
    <aside className={styles.rail} aria-label={t('label')} data-narrow={narrow || undefined}>
      {narrow && (
        <Press
          className={styles.toggle}
          aria-expanded={expanded}
          aria-label={t('label')}
          title={t('label')}
          onClick={toggleAll}
        >
          <Wrench size="1.1em" aria-hidden="true" />
          {!tight && t('label')}
        </Press>
      )}
      {(!narrow || expanded) && (
        <div className={styles.tools}>
          {tools.map((tool) => (
            <ToolButton
              key={tool.id}
              tool={tool}
              open={openTool === tool.id}
              onOpen={(open) => onOpenTool(open ? tool.id : null)}
            />
          ))}
        </div>
      )}
    </aside>
  );
});

/** Whether a tool that can be switched is on; one without such a state is not. */
const isOn = (state: Kept): boolean => state.on === true;

/** Switches a tool on or off: what its button and its key do. */
export function useToolSwitches(): (tool: ToolDefinition) => void {
  const { session, needs, announce, dispatch } = usePlayer();
  const t = useTranslations('tools');
  return (tool) => {
    const on = isOn(readKept(session.getState().tools, tool.id, tool.state, needs));
    dispatch({ type: 'tool-kept', tool: tool.id, state: { on: !on } });
    announce(t(on ? 'switchedOff' : 'switchedOn', { name: t(`${tool.id as 'eliminator'}.name`) }));
  };
}

function ToolButton({
  tool,
  open,
  onOpen,
}: {
  tool: ToolDefinition;
  open: boolean;
  onOpen: (open: boolean) => void;
}) {
  const t = useTranslations('tools');
  const [state] = useKept(tool.id, tool.state);
  const switchTool = useToolSwitches();
  const on = isOn(state);
  const ref = useRef<HTMLButtonElement>(null);
  const name = t(`${tool.id as 'eliminator'}.name`);
  const active = tool.button === 'switch' ? on : open;
  const { Icon, Panel } = tool;
  const close = () => {
    onOpen(false);
    ref.current?.focus();
  };
  return (
    <>
      <Press
        ref={ref}
        className={styles.tool}
        data-tool={tool.id}
        data-on={active || undefined}
        aria-pressed={tool.button === 'switch' ? on : undefined}
        aria-expanded={tool.button === 'panel' ? open : undefined}
        title={t(`${tool.id as 'eliminator'}.about`)}
        onClick={() => (tool.button === 'switch' ? switchTool(tool) : onOpen(!open))}
      >
        <Icon size="1.375em" strokeWidth={1.9} aria-hidden="true" />
        {name}
      </Press>
      {open && Panel && (
        <ToolPanel name={name} onClose={close}>
          <Panel />
        </ToolPanel>
      )}
    </>
  );
}

/** The open tool's panel; Escape or its cross closes it and goes back to the button. */
function ToolPanel({
  name,
  onClose,
  children,
}: {
  name: string;
  onClose: () => void;
  children: React.ReactNode;
}) {
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
