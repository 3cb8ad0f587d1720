import { walkContent, type Content } from '../../item/content';
import { responseTexts, type RawResponse } from '../../item/response';
import { booleanAttribute, childOf, elementsOf, numberAttribute } from '../../qti/xml';
import { complete, defineInteraction, empty, partial, type InteractionModel } from '../types';

export interface GapChoice {
  readonly identifier: string;
  readonly fixed: boolean;
  readonly content: Content;
  /** How many copies may be used; 0 = any number. */
  readonly matchMax: number;
}
export interface GapMatchModel extends InteractionModel {
  readonly type: 'gap-match';
  readonly choices: readonly GapChoice[];
  /** The text with its gaps as places. */
  readonly content: Content;
  readonly gaps: readonly string[];
  readonly shuffle: boolean;
}

/** Which choice lies in which gap. */
export type Filling = Readonly<Record<string, string>>;

/** The filling a response says: pairs of choice and gap; the last one in a gap counts. */
export function fillingOf(response: RawResponse): Filling {
  return Object.fromEntries(
    responseTexts(response).flatMap((pair) => {
      const [choice, gap] = pair.split(' ');
      return choice && gap ? [[gap, choice]] : [];
    }),
  );
}

/** The response for a filling, gaps in reading order; `null` when all are empty. */
export function responseOf(model: GapMatchModel, filling: Filling): RawResponse {
  const pairs = model.gaps.flatMap((gap) => (filling[gap] ? [`${filling[gap]} ${gap}`] : []));
  return pairs.length > 0 ? pairs : null;
}

/** Copies of a choice still in the list; `Infinity` when it may be used any number of times. */
export function copiesLeft(choice: GapChoice, filling: Filling): number {
  const used = Object.values(filling).filter((identifier) => identifier === choice.identifier).length;
  return choice.matchMax === 0 ? Infinity : Math.max(0, choice.matchMax - used);
}

/** What a move did, for the announcement. */
export interface GapMove {
  readonly filling: Filling;
  /** What lay in the target before, if anything. */
  readonly displaced: string | null;
  /** Where the displaced choice went: the gap it swapped into, or `list`. */
  readonly displacedTo: string | null;
}

/**
 * Puts a choice into a gap, from the list or from another gap. A filled gap swaps: what lay there goes to the gap the
 * new one came from, or back to the list. Returns null when no copy is left.
 */
export function placeInGap(
  model: GapMatchModel,
  filling: Filling,
  choice: string,
  target: string,
  from: string | null,
): GapMove | null {
  const known = model.choices.find((one) => one.identifier === choice);
  if (!known || !model.gaps.includes(target)) return null;
  if (from === target) return { filling, displaced: null, displacedTo: null };
  if (from === null && copiesLeft(known, filling) === 0) return null;
  const displaced = filling[target] ?? null;
  const next: Record<string, string> = { ...filling, [target]: choice };
  if (from !== null) {
    if (displaced === null) delete next[from];
    else next[from] = displaced;
  }
  return { filling: next, displaced, displacedTo: displaced === null ? null : (from ?? 'list') };
}

/** Takes the choice out of a gap, back to the list. */
export function emptyGap(filling: Filling, gap: string): Filling {
  const { [gap]: _out, ...rest } = filling;
  return rest;
}

/** How many gaps can be filled at all with the copies there are. */
function fillable(model: GapMatchModel): number {
  const copies = model.choices.reduce((sum, one) => sum + (one.matchMax === 0 ? Infinity : one.matchMax), 0);
  return Math.min(model.gaps.length, copies);
}

/** `qti-gap-match-interaction`: words or pictures into the gaps of a text (QTI 3.0, "gap match interaction"). */
export const gapMatch = defineInteraction<GapMatchModel>({
  type: 'gap-match',
  element: 'qti-gap-match-interaction',
  inline: false,
  shuffles: ['choices'],
  binds: [
    { cardinality: 'multiple', baseTypes: ['directedPair'] },
    { cardinality: 'single', baseTypes: ['directedPair'] },
  ],
  read(element, context) {
    const choiceElements = elementsOf(element).filter((child) => /^qti-gap-(text|img)$/.test(child.name));
    const prompt = childOf(element, 'qti-prompt');
    const content = context.content({
      ...element,
      children: element.children.filter(
        (child) => child.kind === 'text' || (!choiceElements.includes(child) && child !== prompt),
      ),
    });
    const gaps: string[] = [];
    for (const node of walkContent(content))
      if (node.kind === 'place' && node.role === 'gap') gaps.push(node.identifier);
    if (gaps.length === 0)
      context.report.error('no-gaps', element.line, 'a gap match interaction has no gaps');
    return {
      choices: choiceElements.map((child) => ({
        identifier: child.attributes.identifier ?? '',
        fixed: booleanAttribute(child, 'fixed', false),
        content: context.content(child),
        matchMax: numberAttribute(child, 'match-max', 1),
      })),
      content,
      gaps,
      shuffle: booleanAttribute(element, 'shuffle', false),
      prompt: prompt ? context.content(prompt) : [],
    };
  },
  progress(model, response) {
    const filling = fillingOf(response);
    const filled = model.gaps.filter((gap) => filling[gap] !== undefined).length;
    const wanted = fillable(model);
    if (filled === 0) return empty('boxEmpty', { count: wanted });
    return filled < wanted ? partial('boxEmpty', { count: wanted - filled }) : complete;
  },
});
