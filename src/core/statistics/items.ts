import { correlation, mean, variance } from './numbers';

/** One item of a test as everyone answered it. */
export interface ItemColumn {
  readonly item: string;
  /** Whether it counts; on trial it is in no total (adults.md, "What the numbers mean"). */
  readonly counts: boolean;
  /** The option chosen by each student, or the score as text; null = no answer. In the order of the students. */
  readonly cells: readonly (string | null)[];
  /** Points of each student; no answer is 0. */
  readonly scores: readonly number[];
  /** What a full score is. */
  readonly maximum: number;
  /** The right option, where options were chosen. */
  readonly key: string | null;
}
export interface OptionStatistics {
  readonly n: number;
  readonly share: number;
  /** Chosen or not, with the total of the other items. */
  readonly pointBiserial: number | null;
}
export interface ItemStatistics {
  readonly n: number;
  readonly difficulty: number | null;
  readonly discrimination: number | null;
  readonly upperLower: number | null;
  readonly omitted: number;
  readonly notReached: number;
  readonly options?: Readonly<Record<string, OptionStatistics>>;
}
export interface TestStatistics {
  readonly items: number;
  readonly mean: number | null;
  readonly sd: number | null;
  readonly alpha: number | null;
  readonly sem: number | null;
  readonly alphaWithout: Readonly<Record<string, number | null>>;
}
export interface Statistics {
  readonly n: number;
  readonly items: Readonly<Record<string, ItemStatistics>>;
  readonly test: TestStatistics;
  /** Said where there are fewer than thirty. */
  readonly note?: string;
}

/** Fewer than this are too few to lean on. */
export const FEW = 30;
/** The share of students in the upper and in the lower group (Kelley 1939; from memory). */
const GROUP_SHARE = 0.27;

const sumOf = (columns: readonly ItemColumn[], n: number): number[] =>
  Array.from({ length: n }, (_, i) => columns.reduce((sum, { scores }) => sum + (scores[i] ?? 0), 0));

/** Cronbach's alpha with sample variances; with right and wrong it is KR-20. Null for fewer than two items, or no variance. */
export function alphaOf(columns: readonly ItemColumn[], n: number): number | null {
  const k = columns.length;
  const whole = variance(sumOf(columns, n));
  if (k < 2 || whole === null || whole === 0) return null;
  const parts = columns.reduce((sum, { scores }) => sum + (variance(scores) ?? 0), 0);
  return (k / (k - 1)) * (1 - parts / whole);
}

/** Difficulty in the top group by total less that in the bottom group; ties in the order of the students. */
function upperLower({ scores, maximum }: ItemColumn, ranked: readonly number[]): number | null {
  const size = Math.round(GROUP_SHARE * ranked.length);
  if (size === 0 || maximum === 0) return null;
  const share = (group: readonly number[]) => (mean(group.map((i) => scores[i] ?? 0)) ?? 0) / maximum;
  return share(ranked.slice(0, size)) - share(ranked.slice(-size));
}

/** Groups that option curves are drawn over, from the lowest total to the highest (common practice, no source). */
export const CURVE_GROUPS = 5;

/**
 * How often each option was chosen among students of each level: everyone ranked by the total of the other counted items (ties in the
 * order of the students), cut into equal groups from the lowest to the highest, and in each the share that chose it. An option that works
 * is chosen more the higher the group; one that misleads the best rises where it should fall.
 * @returns nothing where there are fewer students than groups
 */
export function optionCurves(
  column: ItemColumn,
  columns: readonly ItemColumn[],
  n: number,
): Readonly<Record<string, readonly number[]>> {
  if (n < CURVE_GROUPS) return {};
  const rest = sumOf(
    columns.filter((other) => other.counts && other !== column),
    n,
  );
  const ranked = Array.from({ length: n }, (_, i) => i).sort((a, b) => (rest[a] ?? 0) - (rest[b] ?? 0));
  const groups = Array.from({ length: CURVE_GROUPS }, (_, g) =>
    ranked.slice(Math.round((g * n) / CURVE_GROUPS), Math.round(((g + 1) * n) / CURVE_GROUPS)),
  );
  const options = [...new Set(column.cells.filter((cell) => cell !== null))].sort();
  return Object.fromEntries(
    options.map((option) => [
      option,
      groups.map((group) => group.filter((i) => column.cells[i] === option).length / group.length),
    ]),
  );
}

/** Figures of a test and its items over everyone who took it. */
export function statisticsOf(columns: readonly ItemColumn[], n: number): Statistics {
  const counted = columns.filter((column) => column.counts);
  const totals = sumOf(counted, n);
  const ranked = Array.from({ length: n }, (_, i) => i).sort((a, b) => (totals[b] ?? 0) - (totals[a] ?? 0));
  /** Of each student the last item with an answer. */
  const reached = Array.from({ length: n }, (_, i) =>
    columns.findLastIndex(({ cells }) => cells[i] !== null),
  );
  const items = columns.map((column, at): [string, ItemStatistics] => {
    const rest = sumOf(
      counted.filter((other) => other !== column),
      n,
    );
    const missing = column.cells.flatMap((cell, i) => (cell === null ? [i] : []));
    const omitted = missing.filter((i) => (reached[i] ?? -1) > at).length;
    const average = mean(column.scores);
    return [
      column.item,
      {
        n,
        difficulty: average === null || column.maximum === 0 ? null : average / column.maximum,
        discrimination: correlation(column.scores, rest),
        upperLower: upperLower(column, ranked),
        omitted,
        notReached: missing.length - omitted,
        ...(column.key !== null && { options: optionsOf(column, rest, n) }),
      },
    ];
  });
  const spread = variance(totals);
  const [sd, alpha] = [spread === null ? null : Math.sqrt(spread), alphaOf(counted, n)];
  return {
    n,
    items: Object.fromEntries(items),
    test: {
      items: counted.length,
      mean: counted.length === 0 ? null : mean(totals),
      sd: counted.length === 0 ? null : sd,
      alpha,
      sem: sd === null || alpha === null ? null : sd * Math.sqrt(Math.max(0, 1 - alpha)),
      alphaWithout: Object.fromEntries(
        counted.map((column) => [
          column.item,
          alphaOf(
            counted.filter((other) => other !== column),
            n,
          ),
        ]),
      ),
    },
    ...(n < FEW && { note: 'too few to lean on' }),
  };
}

function optionsOf(
  { cells, key }: ItemColumn,
  rest: readonly number[],
  n: number,
): Record<string, OptionStatistics> {
  const options = [
    ...new Set([...(key === null ? [] : [key]), ...cells.flatMap((cell) => cell ?? [])]),
  ].sort();
  return Object.fromEntries(
    options.map((option) => {
      const chosen = cells.map((cell) => Number(cell === option));
      const count = chosen.reduce((sum, one) => sum + one, 0);
      return [option, { n: count, share: n === 0 ? 0 : count / n, pointBiserial: correlation(chosen, rest) }];
    }),
  );
}
