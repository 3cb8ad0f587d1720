import { own } from '../own';
import { interactionOf } from '../interactions';
import type { InteractionModel, Missing, ProgressState, ResponseShape } from '../interactions/types';
import {
  contentText,
  interactionsOf,
  walkContent,
  withMates,
  type Content,
  type ContentNode,
} from '../content/content';
import type { RawResponse } from '../content/response';

/** What progress needs of an item; both the full item and the delivered one have it. */
export interface Answerable {
  /** What its numbers are written in; null where it does not say. */
  readonly language: string | null;
  readonly body: Content;
  readonly responses: readonly ResponseShape[];
}

/** A part of a question: what stands under one "Part A" heading, or the whole. */
export interface ItemPart {
  /** `A` from a heading "Part A"; `null` when the question has one part. */
  readonly label: string | null;
  readonly interactions: readonly InteractionModel[];
}

export interface PartProgress {
  readonly label: string | null;
  readonly state: ProgressState;
  /** One line of what is missing per interaction that is not complete. */
  readonly missing: readonly Missing[];
}
export interface ItemProgress {
  readonly state: ProgressState;
  readonly parts: readonly PartProgress[];
}

/** The responses a student gives, and may take back; not those that say what happened. */
export const givenResponses = ({ body, responses }: Answerable): readonly string[] => {
  const happened = interactionsOf(body)
    .filter((one) => interactionOf(one.type)?.happens)
    .map((one) => one.responseIdentifier);
  return responses.map((one) => one.identifier).filter((one) => !happened.includes(one));
};

/** Whether a student has given any answer to a question, however little. */
export const isAnswered = (item: Answerable, responses: Readonly<Record<string, RawResponse>>): boolean =>
  givenResponses(item).some((identifier) => (own(responses, identifier) ?? null) !== null);

/** Only the parts that are not done, where what is missing is what counts. */
export const unfinishedParts = (progress: ItemProgress): ItemProgress => ({
  ...progress,
  parts: progress.parts.filter((part) => part.state !== 'complete'),
});

const PART_HEADING = /^\s*Part\s+([A-Z]|\d{1,2})(?![\w])/i;
/** A line or a prompt that names a part must do no more: "Part 2 of the way …" is a sentence. */
const PART_LINE = /^\s*Part\s+([A-Z]|\d{1,2})\s*(?:$|[:.)\u2013\u2014-])/i;

/**
 * The letter or number of a part by its heading, "A" of "Part A: the ferry"; null for "Part Two", which names no part.
 * @param isHeading it stands in a heading; else in a paragraph or prompt
 */
export const partLabel = (text: string, isHeading = true): string | null =>
  (isHeading ? PART_HEADING : PART_LINE).exec(text)?.[1]?.toUpperCase() ?? null;

/** What part a piece of content opens, by its words; null for any other. */
function partOpenedBy(node: ContentNode): string | null {
  if (node.kind === 'interaction') return partLabel(contentText(node.interaction.prompt), false);
  if (node.kind !== 'element' || !/^(h[1-6]|p)$/.test(node.name)) return null;
  return partLabel(contentText(node.children), node.name !== 'p');
}

const isOptional = (interaction: InteractionModel): boolean =>
  interactionOf(interaction.type)?.optional?.(interaction) ?? false;

/**
 * The parts of a question. A heading, a line or a prompt that begins "Part A" opens one (common practice, no source: QTI has no
 * element for it). Without any each block interaction is a part of its own, and interactions inside lines are one.
 */
export function partsOf(body: Content): ItemPart[] {
  const parts: { label: string | null; interactions: InteractionModel[] }[] = [];
  let headed = false;
  for (const node of walkContent(body)) {
    const label = partOpenedBy(node);
    if (label !== null && parts.at(-1)?.label !== label) {
      headed = true;
      parts.push({ label, interactions: [] });
    }
    if (node.kind !== 'interaction') continue;
    const asked = withMates(node.interaction).filter((one) => !isOptional(one));
    if (asked.length === 0) continue;
    const last = parts.at(-1);
    const joins = headed || (last && node.interaction.inline && last.interactions.every((one) => one.inline));
    if (joins && last) last.interactions.push(...asked);
    else parts.push({ label: null, interactions: [...asked] });
  }
  const filled = parts.filter((part) => part.interactions.length > 0);
  if (filled.length < 2 || headed) return filled;
  return filled.map((part, i) => ({ ...part, label: String(i + 1) }));
}

const merge = (states: readonly ProgressState[]): ProgressState => {
  if (states.every((state) => state === 'complete')) return 'complete';
  return states.every((state) => state === 'empty') ? 'empty' : 'partial';
};

/** Adds up equal codes: three empty boxes are "3 boxes empty", not three lines; the same words are said once. */
function gather(missing: readonly Missing[]): Missing[] {
  const gathered: Missing[] = [];
  for (const one of missing) {
    if (
      !('count' in (one.values ?? {})) &&
      gathered.some((other) => JSON.stringify(other) === JSON.stringify(one))
    )
      continue;
    const same = gathered.findIndex((other) => other.code === one.code && 'count' in (one.values ?? {}));
    const before = gathered[same];
    if (!before) gathered.push(one);
    else {
      const count = Number(before.values?.count ?? 0) + Number(one.values?.count ?? 0);
      gathered[same] = { code: one.code, values: { ...one.values, count } };
    }
  }
  return gathered;
}

/** How far an answer is, part by part (items.md, "How far an answer is"). An item without interactions is complete. */
export function progressOfItem(
  item: Answerable,
  responses: Readonly<Record<string, RawResponse>>,
): ItemProgress {
  const parts = partsOf(item.body).map((part): PartProgress => {
    const progresses = part.interactions.map((interaction) => {
      const definition = interactionOf(interaction.type);
      const shape = item.responses.find((one) => one.identifier === interaction.responseIdentifier);
      if (!definition || !shape) return { state: 'complete' as const, missing: null };
      return definition.progress(interaction, own(responses, interaction.responseIdentifier) ?? null, shape);
    });
    return {
      label: part.label,
      state: merge(progresses.map((one) => one.state)),
      missing: gather(progresses.flatMap((one) => one.missing ?? [])),
    };
  });
  return { state: parts.length === 0 ? 'complete' : merge(parts.map((part) => part.state)), parts };
}
