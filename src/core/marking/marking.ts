import * as v from '../content/value';
import type { Value } from '../content/value';
import type { Item } from '../item/item';
import { maximumScore, scoredBy } from '../processing/score';
import { numberOf } from '../processing/numbers';

/** Points that a person gave, by the outcome they are for. */
export type PersonPoints = Readonly<Record<string, number>>;
/** Something a person gives points for. */
export interface Trait {
  /** The outcome they set; `SCORE` where the answer is marked as a whole. */
  readonly outcome: string;
  readonly minimum: number;
  /** Null where the item does not say. */
  readonly maximum: number | null;
}

const NOT_TRAITS: ReadonlySet<string> = new Set(['SCORE', 'MAXSCORE']);

/**
 * What of an item a person marks: each outcome that is declared to be set by a person (QTI 3.0, `external-scored="human"`), else the
 * score as a whole; nothing of an item that a machine marks alone.
 */
export function traitsOf(item: Item): readonly Trait[] {
  if (scoredBy(item) === 'machine') return [];
  const human = item.outcomes.filter(
    ({ externalScored, identifier }) => externalScored === 'human' && !NOT_TRAITS.has(identifier),
  );
  if (human.length === 0) return [{ outcome: 'SCORE', minimum: 0, maximum: maximumScore(item) }];
  return human.map(({ identifier, normalMinimum, normalMaximum }) => ({
    outcome: identifier,
    minimum: normalMinimum ?? 0,
    maximum: normalMaximum ?? maximumScore(item),
  }));
}

/** Whether points are what an item asks a person for: each trait once, within its bounds, in quarters at most (common practice). */
export function areFit(item: Item, points: PersonPoints): boolean {
  const traits = traitsOf(item);
  return (
    Object.keys(points).length === traits.length &&
    traits.every(({ outcome, minimum, maximum }) => {
      const given = Object.hasOwn(points, outcome) ? points[outcome] : undefined;
      return (
        given !== undefined &&
        Number.isInteger(given * 4) &&
        given >= minimum &&
        given <= (maximum ?? MOST_POINTS)
      );
    })
  );
}
/** Where an item does not say how much it is worth. */
const MOST_POINTS = 1_000;

/**
 * The outcomes of an item with what a person gave. Traits are added to what the machine gave, unless a person sets the score itself.
 */
export function withPoints(
  item: Item,
  outcomes: Readonly<Record<string, Value>>,
  points: PersonPoints,
): Record<string, Value> {
  const set = Object.fromEntries(Object.entries(points).map(([name, given]) => [name, v.float(given)]));
  if (Object.hasOwn(points, 'SCORE')) return { ...outcomes, ...set };
  const own = item.outcomes.find(({ identifier }) => identifier === 'SCORE')?.externalScored === 'human';
  const machine = own ? 0 : (numberOf(outcomes.SCORE ?? null) ?? 0);
  return { ...outcomes, ...set, SCORE: v.float(machine + totalOf(points)) };
}

/** All points of a reader. */
export const totalOf = (points: PersonPoints): number =>
  Object.values(points).reduce((sum, given) => sum + given, 0);

/** How a question is marked: by how many readers, and by how many points two may differ before a third decides. */
export interface MarkingRule {
  readonly readers: 1 | 2;
  readonly differBy: number;
}
export const ONE_READER: MarkingRule = { readers: 1, differBy: 1 };

export type Settlement =
  | { readonly state: 'waits'; readonly for: 'first' | 'second' | 'third' }
  | { readonly state: 'settled'; readonly points: PersonPoints };

/**
 * What comes of what readers gave, in the order they gave it. One reader's points stand. Of two that differ by no more than agreed the
 * mean stands; else a third reader's points do (common practice, no source).
 */
export function settle(marks: readonly PersonPoints[], { readers, differBy }: MarkingRule): Settlement {
  const [first, second, third] = marks;
  if (!first) return { state: 'waits', for: 'first' };
  if (readers === 1) return { state: 'settled', points: first };
  if (!second) return { state: 'waits', for: 'second' };
  if (Math.abs(totalOf(first) - totalOf(second)) <= differBy)
    return {
      state: 'settled',
      points: Object.fromEntries(
        Object.entries(first).map(([name, given]) => [name, (given + (second[name] ?? given)) / 2]),
      ),
    };
  return third ? { state: 'settled', points: third } : { state: 'waits', for: 'third' };
}
