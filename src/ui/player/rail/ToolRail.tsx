'use client';

import { Ellipsis, SlidersHorizontal, Wrench } from 'lucide-react';
import { memo, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { railOf } from '@/core/tools/allowed';
import { useAttempt, usePlayer } from '../../attempt/PlayerContext';
import { readKept } from '../../attempt/kept';
import { Press } from '../../kit/Button';
import { useWindows } from '../../tools/useWindows';
import { ALL_SETTINGS } from '../windows/ToolWindows';
import { ToolButton } from './ToolButton';
import { ToolPanel } from './ToolPanel';
import styles from './rail.module.css';
import { isOn, useToolAct, useToolsHere, type OpenPanel, type ToolHere } from './tools';

/** What the panel of all other tools is called among the open panels. */
const MORE = 'more-tools';

/** The named tools beside the sheets, the panel of the one that is open, and "More tools" for those not always in sight. */
export const ToolRail = memo(function ToolRail({ open, setOpen }: OpenPanel) {
  const t = useTranslations('tools');
  const my = useTranslations('myView');
  const windows = useWindows();
  const { layout, tight, needs } = usePlayer();
  const current = useAttempt((state) => state.current);
  const tools = useToolsHere();
  const [shown, setShown] = useState(false);
  const moreRef = useRef<HTMLButtonElement>(null);
  /** Of a narrow screen, where all tools are behind one button. */
  const toggleRef = useRef<HTMLButtonElement>(null);
  const act = useToolAct({ open, setOpen });
  const { first, more } = railOf(tools, needs);
  const others = more.flatMap((group) => group.tools);
  const taken = useTaken(others, open);
  const opened = others.filter(({ tool }) => taken.includes(tool.id));
  const rest = more
    .map(({ group, tools: inGroup }) => ({
      group,
      tools: inGroup.filter(({ tool }) => !taken.includes(tool.id)),
    }))
    .filter((group) => group.tools.length > 0);
  const narrow = layout === 'narrow';
  const expanded = shown || open !== null;
  const toggleAll = () => {
    setShown(!expanded);
    setOpen(null);
  };
  /** The panel of all tools goes. What a window opens from gets the focus back when it closes; on a narrow screen the tools make room. */
  const leavePanel = (forWindow: boolean) => {
    setOpen(null);
    if (!forWindow) return;
    (toggleRef.current ?? moreRef.current)?.focus();
    if (narrow) setShown(false);
  };
  const take = (here: ToolHere) => {
    leavePanel(here.tool.button === 'window');
    act(here);
    // A panel or a window takes the focus itself; a switch leaves it on what the switch can be turned off with.
    if (here.tool.button === 'switch') moreRef.current?.focus();
  };
  return (
    <aside className={styles.rail} aria-label={t('label')} data-narrow={narrow || undefined}>
      {narrow && (
        <Press
          ref={toggleRef}
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
          {[...first, ...opened].map((here) => (
            <ToolButton
              key={here.tool.id}
              here={here}
              itemRef={current}
              open={open}
              setOpen={setOpen}
              act={act}
            />
          ))}
          {rest.length > 0 && (
            <>
              <Press
                ref={moreRef}
                className={styles.tool}
                data-tool={MORE}
                data-on={open === MORE || undefined}
                aria-expanded={open === MORE}
                onClick={() => setOpen(open === MORE ? null : MORE)}
              >
                <Ellipsis size="1.375em" strokeWidth={1.9} aria-hidden="true" />
                {t('more')}
              </Press>
              {open === MORE && (
                <ToolPanel
                  name={t('more')}
                  onClose={() => {
                    setOpen(null);
                    moreRef.current?.focus();
                  }}
                >
                  <Press
                    className={styles.listed}
                    data-tool={ALL_SETTINGS}
                    onClick={() => {
                      leavePanel(true);
                      windows.show(ALL_SETTINGS);
                    }}
                  >
                    <SlidersHorizontal size="1.375em" strokeWidth={1.9} aria-hidden="true" />
                    <span>
                      <strong>{my('title')}</strong>
                      <small>{my('duringAbout')}</small>
                    </span>
                  </Press>
                  {rest.map(({ group, tools: inGroup }) => (
                    <section key={group} className={styles.group} aria-label={t(`groups.${group}`)}>
                      <h3>{t(`groups.${group}`)}</h3>
                      {inGroup.map((here) => {
                        const { id, Icon } = here.tool;
                        const away = here.standing === 'elsewhere';
                        return (
                          <Press
                            key={id}
                            className={styles.listed}
                            data-tool={id}
                            data-away={away || undefined}
                            aria-disabled={away || undefined}
                            onClick={() => (away ? act(here) : take(here))}
                          >
                            <Icon size="1.375em" strokeWidth={1.9} aria-hidden="true" />
                            <span>
                              <strong>{t(`${id as 'eliminator'}.name`)}</strong>
                              <small>{away ? t('notHereAbout') : t(`${id as 'eliminator'}.about`)}</small>
                            </span>
                          </Press>
                        );
                      })}
                    </section>
                  ))}
                </ToolPanel>
              )}
            </>
          )}
        </div>
      )}
    </aside>
  );
});

/**
 * Those from "More tools" that are or were in use since the page was opened, by whatever way: they stay in the rail, where they are
 * seen to be on, and are switched off again.
 */
function useTaken(others: readonly ToolHere[], open: string | null): readonly string[] {
  const { needs } = usePlayer();
  const kept = useAttempt((state) => state.tools);
  const windows = useWindows();
  const [taken, setTaken] = useState<readonly string[]>([]);
  const inUse = others
    .filter(
      ({ tool: { id, state } }) =>
        isOn(readKept(kept, id, state, needs)) || open === id || windows.open.includes(id),
    )
    .map(({ tool }) => tool.id);
  const more = inUse.filter((id) => !taken.includes(id));
  if (more.length > 0) setTaken([...taken, ...more]);
  return taken;
}
