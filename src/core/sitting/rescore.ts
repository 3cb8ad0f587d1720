import { itemSeed } from '../deliver/deliver';
import type { Item } from '../item/item';
import { responseProblem } from '../item/responseProblem';
import { itemRefsOf, type Section, type Test } from '../item/test';
import { rawOf, type RawResponse } from '../content/response';
import { interactionsOf } from '../content/content';
import { valuesEqual } from '../content/value';
import { prepareItem } from '../processing/prepare';
import type { Place, SittingContent } from './plan';
import type { Sitting } from './sitting';
import type { QuestionState } from './state';

/**
 * Why answers given to one version of a test cannot be scored by another: it has not the same parts, sections and questions; the
 * question is adaptive, so that what was told on the way depends on how it was scored; other values were drawn; it takes no such answers.
 */
export type Misfit = 'structure' | 'adaptive' | 'drawn' | 'answers';

const sectionsIn = (sections: readonly Section[]): string[] =>
  sections.flatMap((one) => [
    one.identifier,
    ...sectionsIn(one.children.flatMap((child) => (child.kind === 'section' ? [child] : []))),
  ]);

/** Whether every form drawn from one version of a test can be laid over another: only what questions and tests are worth may differ. */
export function fitsForms(drawnFrom: Test, other: Test): boolean {
  const names = ({ parts }: Test) => parts.map(({ identifier }) => identifier);
  const own = names(drawnFrom);
  if (own.length !== other.parts.length || names(other).some((name, i) => name !== own[i])) return false;
  const sections = new Set(other.parts.flatMap((part) => sectionsIn(part.sections)));
  const questions = new Set(itemRefsOf(other).map(({ identifier }) => identifier));
  return (
    drawnFrom.parts.every((part) => sectionsIn(part.sections).every((name) => sections.has(name))) &&
    itemRefsOf(drawnFrom).every(({ identifier }) => questions.has(identifier))
  );
}

/** What a question was scored by: what was said last, but where no attempt was left for it, what was said before. */
export function scoredResponses(
  { responses, score, changed }: QuestionState,
  item: Item,
): Record<string, RawResponse> {
  const scored = Object.fromEntries(
    [...(score?.responses ?? [])].map(([name, value]) => [name, rawOf(value)]),
  );
  if (changed) return scored;
  const buttons = new Set(
    interactionsOf(item.body)
      .filter(({ type }) => type === 'end-attempt')
      .map(({ responseIdentifier }) => responseIdentifier),
  );
  const said = [...responses].filter(([name]) => !buttons.has(name));
  return { ...scored, ...Object.fromEntries(said) };
}

const isSame = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other);

/** Whether an attempt has the same template values by both versions of a question. */
function drawsTheSame(
  { ref, item }: Place,
  other: Item,
  seed: string,
  { templateDefaults }: QuestionState,
): boolean {
  const drawn = (one: Item) =>
    [...prepareItem(one, itemSeed(seed, ref), templateDefaults)].filter(
      ([, { kind }]) => kind === 'template',
    );
  const [before, after] = [drawn(item), new Map(drawn(other))];
  return before.every(([name, { value }]) => valuesEqual(value, after.get(name)?.value ?? null));
}

/** Why one question of a sitting cannot be scored by another version of it; null where it can. */
function misfitOf(place: Place, question: QuestionState, other: Item, seed: string): Misfit | null {
  const { item } = place;
  if (isSame(item, other)) return null;
  if (item.adaptive || other.adaptive) return 'adaptive';
  if (!drawsTheSame(place, other, seed, question)) return 'drawn';
  const answers = Object.entries(scoredResponses(question, item));
  const fit = answers.every(([name, raw]) => raw === null || responseProblem(other, name, raw) === null);
  return fit ? null : 'answers';
}

/** The questions of a sitting that cannot be scored by another version of its test; `fitsForms` has been asked before. */
export function misfitsIn({ plan, state }: Sitting, { test, items }: SittingContent): Map<string, Misfit> {
  const sources = new Map(itemRefsOf(test).map((one) => [one.identifier, one.item]));
  return new Map(
    plan.places.flatMap((place) => {
      const other = items.get(sources.get(place.source.identifier) ?? '');
      const question = state.questions.get(place.ref);
      if (!other) return [[place.ref, 'structure'] as const];
      const misfit = question?.score ? misfitOf(place, question, other, plan.form.seed) : null;
      return misfit === null ? [] : [[place.ref, misfit] as const];
    }),
  );
}
