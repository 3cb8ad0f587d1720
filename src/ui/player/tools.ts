import type { AttemptState } from '@/core/attempt/state';
import type { AccessNeeds } from '@/core/needs';
import { readKept, type PageLook } from '../attempt/kept';
import { TOOLS } from '../tools';
import type { ToolDefinition } from '../tools/types';

/** Tools a student has at a question, in the order of the rail. */
export const toolsFor = (
  needs: AccessNeeds,
  item: Parameters<NonNullable<ToolDefinition['available']>>[1],
): readonly ToolDefinition[] => TOOLS.filter((tool) => tool.available?.(needs, item) ?? true);

/** How the page looks: as the needs say, and what tools have to say to it, the last in the rail last. */
export function pageLookOf(kept: AttemptState['tools'], needs: AccessNeeds): PageLook {
  return TOOLS.reduce<PageLook>(
    (look, tool) =>
      tool.pageLook ? { ...look, ...tool.pageLook(readKept(kept, tool.id, tool.state, needs)) } : look,
    { scheme: needs.scheme, magnification: needs.magnification, inverted: false },
  );
}
