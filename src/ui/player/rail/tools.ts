'use client';

import { useMemo } from 'react';
import { useTranslations } from 'use-intl';
import type { AttemptState } from '@/core/attempt/state';
import { standingOf, type ToolHere as HereOf } from '@/core/tools/allowed';
import type { AccessNeeds } from '@/core/needs';
import { readKept, type Kept, type PageLook } from '../../attempt/kept';
import { useAttempt, usePlayer } from '../../attempt/PlayerContext';
import { TOOLS } from '../../tools';
import type { ToolDefinition } from '../../tools/types';
import { useWindows } from '../../tools/useWindows';

export type ToolHere = HereOf<ToolDefinition>;

/** The tools this student has in this test, in the order of the registry. */
export function useToolsHere(): readonly ToolHere[] {
  const { needs, test } = usePlayer();
  const current = useAttempt((state) => state.current);
  return useMemo(
    () =>
      TOOLS.flatMap((tool) => {
        const standing = standingOf(tool, test, current, needs);
        return standing === 'none' ? [] : [{ tool, standing }];
      }),
    [current, needs, test],
  );
}

/** How the page looks: as the needs say, and what tools have to say to it, the last in the registry last. */
export function pageLookOf(kept: AttemptState['tools'], needs: AccessNeeds): PageLook {
  return TOOLS.reduce<PageLook>(
    (look, tool) =>
      tool.pageLook ? { ...look, ...tool.pageLook(readKept(kept, tool.id, tool.state, needs)) } : look,
    {
      scheme: needs.scheme,
      own: needs.own,
      text: needs.text,
      magnification: needs.magnification,
      inverted: needs.inverted,
    },
  );
}

/** Whether a tool that can be switched is on; one without such a state is not. */
export const isOn = (state: Kept): boolean => state.on === true;

/** The open panel beside the rail: a tool's by its id, or that of "More tools". */
export interface OpenPanel {
  readonly open: string | null;
  readonly setOpen: (id: string | null) => void;
}

/** What a tool's button and its key do. */
export function useToolAct({ open, setOpen }: OpenPanel): (here: ToolHere) => void {
  const { session, needs, announce, dispatch } = usePlayer();
  const t = useTranslations('tools');
  const windows = useWindows();
  return ({ tool, standing }) => {
    const name = t(`${tool.id as 'eliminator'}.name`);
    if (standing === 'elsewhere') return announce(t('notHere', { name }));
    switch (tool.button) {
      case 'panel':
        return setOpen(open === tool.id ? null : tool.id);
      case 'window':
        return windows.toggle(tool.id);
      case 'switch': {
        const on = isOn(readKept(session.getState().tools, tool.id, tool.state, needs));
        dispatch({ type: 'tool-kept', tool: tool.id, state: { on: !on } });
        return announce(t(on ? 'switchedOff' : 'switchedOn', { name }));
      }
    }
  };
}
