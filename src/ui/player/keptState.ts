import type { AttemptState } from '@/core/attempt/state';
import { own } from '@/core/own';
import type { AccessNeeds } from '@/core/needs';
import { TOOLS } from '../tools';
import type { Kept, PageLook, ToolDefinition, ToolState } from '../tools/types';

/** What an owner (a tool, or a part of the screen) keeps in an attempt, read by its schema; what does not fit gives how it begins. */
export function readKept<State extends Kept>(
  kept: AttemptState['tools'],
  owner: string,
  { schema, initial }: Pick<ToolState<State>, 'schema' | 'initial'>,
  needs: AccessNeeds,
): State {
  const begins = initial(needs);
  const read = schema.safeParse({ ...begins, ...own(kept, owner) });
  return read.success ? read.data : begins;
}

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
    { scheme: needs.scheme, magnification: needs.magnification },
  );
}
