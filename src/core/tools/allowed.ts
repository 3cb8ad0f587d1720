import { brings, type MaterialName } from '../item/materials';
import { own } from '../own';
import type { DeliveredTest } from '../item/delivered';

/**
 * How a student comes to have a tool: everyone has it; those have it whose needs ask for it; the question has cards for this student
 * (QTI 3.0, catalogs, which are sent to those alone whose needs ask for them); or a question brings it
 * (QTI 3.0, companion materials), and then whoever is at that question has it.
 */
export type ToolAccess = 'everyone' | 'asked-for' | 'with-cards' | { readonly brought: MaterialName };

/** The tools a student's needs name (core/needs). */
export interface NamedTools {
  readonly toolsOn: readonly string[];
  readonly toolsGiven: readonly string[];
}

/** Where a tool stands at a question: `elsewhere` means that other questions of this test bring it. */
export type Standing = 'here' | 'elsewhere' | 'none';

export interface ToolRule {
  readonly id: string;
  readonly access: ToolAccess;
}

/**
 * Whether a student has a tool at a question: the one place where it is decided, for the rail, the keys and what is drawn. The test
 * may take a tool away (`data-tools-off` of the test, a part or a section); that is stronger than everything, for it says what is
 * measured. A student's needs give what the question does not bring.
 * @param ref the question on the screen; null where there is none
 */
export function standingOf(
  { id, access }: ToolRule,
  test: Pick<DeliveredTest, 'items'>,
  ref: string | null,
  needs: NamedTools,
): Standing {
  const given = needs.toolsGiven.includes(id) || needs.toolsOn.includes(id);
  const at = (one: string): boolean => {
    const item = own(test.items, one);
    if (!item || item.toolsOff.includes(id)) return false;
    if (access === 'everyone' || (given && access !== 'with-cards')) return true;
    if (access === 'with-cards') return Object.keys(item.cards).length > 0;
    return access !== 'asked-for' && brings(item.materials, access.brought);
  };
  if (ref !== null && at(ref)) return 'here';
  return Object.keys(test.items).some((one) => one !== ref && at(one)) ? 'elsewhere' : 'none';
}

/** What a tool is for: how the rail puts those together that are not always in sight. */
export const TOOL_GROUPS = ['reading', 'writing', 'measuring', 'looking'] as const;
export type ToolGroup = (typeof TOOL_GROUPS)[number];

/** A tool of this student, and whether it can be used at the question on the screen. */
export interface ToolHere<Tool extends ToolRule = ToolRule> {
  readonly tool: Tool;
  readonly standing: Exclude<Standing, 'none'>;
}

export interface RailTool extends ToolRule {
  readonly group: ToolGroup;
  /** Used by many: always in sight. */
  readonly often?: boolean;
}

/** The rail: what is always in sight, and what stands under "More tools", by group. */
export interface Rail<Here> {
  readonly first: readonly Here[];
  readonly more: readonly { readonly group: ToolGroup; readonly tools: readonly Here[] }[];
}

/**
 * Puts a student's tools in order: first what this question brings, then what this student's needs name, then what many use; the
 * rest by group, and among it what only other questions bring. Nothing changes its place by being used, so that a hand finds it again.
 */
export function railOf<Tool extends RailTool>(
  tools: readonly ToolHere<Tool>[],
  needs: NamedTools,
): Rail<ToolHere<Tool>> {
  const isNamed = ({ id }: Tool) => needs.toolsGiven.includes(id) || needs.toolsOn.includes(id);
  const rankOf = ({ tool, standing }: ToolHere<Tool>): number => {
    if (standing === 'elsewhere') return 3;
    return typeof tool.access === 'object' || tool.access === 'with-cards'
      ? 0
      : isNamed(tool)
        ? 1
        : tool.often
          ? 2
          : 3;
  };
  const ranked = (rank: number) => tools.filter((here) => rankOf(here) === rank);
  const rest = ranked(3);
  return {
    first: [...ranked(0), ...ranked(1), ...ranked(2)],
    more: TOOL_GROUPS.flatMap((group) => {
      const inGroup = rest.filter(({ tool }) => tool.group === group);
      return inGroup.length > 0 ? [{ group, tools: inGroup }] : [];
    }),
  };
}
