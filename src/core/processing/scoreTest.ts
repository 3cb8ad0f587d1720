import type { Item } from '../item/item';
import type { Section, Test } from '../item/test';
import * as v from '../item/value';
import type { Value } from '../item/value';
import type { TestScope } from './context';
import { numberOf } from './numbers';
import { outcomeVariable } from './prepare';
import { runRules } from './run';
import type { ItemScore } from './score';

/** One item of a test as this attempt had it: what outcome processing may ask about. */
export interface ItemOutcome extends Pick<ItemScore, 'outcomes' | 'responses' | 'correct'> {
  readonly item: Item;
  /** Whether the student opened it. */
  readonly presented: boolean;
}

interface Place extends ItemOutcome {
  readonly ref: string;
  readonly sections: readonly string[];
  readonly categories: readonly string[];
  readonly weights: Readonly<Record<string, number>>;
}

function placesOf(test: Test, items: ReadonlyMap<string, ItemOutcome>): Place[] {
  const inside = (section: Section, above: readonly string[]): Place[] => {
    const sections = [...above, section.identifier];
    return section.children.flatMap((child): Place[] => {
      if (child.kind === 'section') return inside(child, sections);
      const found = items.get(child.identifier);
      const { identifier: ref, categories, weights } = child;
      return found ? [{ ...found, ref, sections, categories, weights }] : [];
    });
  };
  return test.parts.flatMap((part) => part.sections.flatMap((section) => inside(section, [])));
}

/** A number times the weight of that name; a weight that is not there is 1, and weighted values are floats. */
function weighted(value: Value, place: Place, weight: string | null): Value {
  const number = numberOf(value);
  return weight === null || number === null ? value : v.float(number * (place.weights[weight] ?? 1));
}

/** Whether every response with a correct response has it; null where an item names none (QTI 3.0, "number-correct"). */
function isCorrect({ responses, correct }: Place): boolean | null {
  const known = [...correct].filter(([, value]) => !v.isNull(value));
  if (known.length === 0) return null;
  return known.every(([identifier, value]) => v.valuesEqual(responses.get(identifier) ?? null, value));
}

function scopeOf(places: readonly Place[]): TestScope {
  const chosen = (select: {
    readonly section: string | null;
    readonly include: readonly string[];
    readonly exclude: readonly string[];
  }) =>
    places.filter(
      ({ sections, categories }) =>
        (select.section === null || sections.includes(select.section)) &&
        (select.include.length === 0 || select.include.some((one) => categories.includes(one))) &&
        !select.exclude.some((one) => categories.includes(one)),
    );
  const counts: Readonly<Record<Parameters<TestScope['count']>[0], (place: Place) => boolean>> = {
    correct: (place) => isCorrect(place) === true,
    incorrect: (place) => isCorrect(place) === false,
    responded: ({ responses }) => [...responses.values()].some((value) => !v.isNull(value)),
    presented: ({ presented }) => presented,
    selected: () => true,
  };
  return {
    count: (what, select) => chosen(select).filter(counts[what]).length,
    collect: (select) =>
      chosen(select).flatMap((place): Value[] => {
        const { kind, variable, weight } = select;
        const declared = place.item.outcomes.find(({ identifier }) => identifier === variable);
        if (kind === 'value') {
          const value = place.outcomes[variable] ?? place.responses.get(variable) ?? null;
          return [weighted(value, place, weight)];
        }
        if (!declared) return [];
        const bound = kind === 'maximum' ? declared.normalMaximum : declared.normalMinimum;
        return [weighted(bound === null ? null : v.float(bound), place, weight)];
      }),
    itemVariable: (ref, variable, weight) => {
      const place = places.find((one) => one.ref === ref);
      if (!place) return undefined;
      return weighted(place.outcomes[variable] ?? place.responses.get(variable) ?? null, place, weight);
    },
  };
}

/**
 * The outcomes of a test: its outcome processing carried out over the items of one attempt (QTI 3.0, "outcome processing").
 * @param items by the identifier of their reference; an item the attempt did not get is left out
 */
export function scoreTest(
  test: Test,
  items: ReadonlyMap<string, ItemOutcome>,
): Readonly<Record<string, Value>> {
  const variables = new Map(
    test.outcomes.map((declared) => [declared.identifier, outcomeVariable(declared)]),
  );
  // Outcome processing has no random expressions that a test could do without a seed; none is drawn here.
  runRules(test.outcomeProcessing, { variables, random: () => 0, test: scopeOf(placesOf(test, items)) });
  return Object.fromEntries([...variables].map(([identifier, { value }]) => [identifier, value]));
}
