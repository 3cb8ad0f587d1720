import fc from 'fast-check';
import { median as reference, sampleCorrelation, sampleStandardDeviation } from 'simple-statistics';
import { agreementOf } from './agreement';
import { optionCurves, alphaOf, statisticsOf, type ItemColumn } from './items';
import { median } from './numbers';

const column = (
  item: string,
  scores: readonly (number | null)[],
  more: Partial<ItemColumn> = {},
): ItemColumn => ({
  item,
  counts: true,
  cells: scores.map((score) => (score === null ? null : String(score))),
  scores: scores.map((score) => score ?? 0),
  maximum: Math.max(0, ...scores.map((score) => score ?? 0)),
  key: null,
  ...more,
});

/**
 * The five items of section 6 of the Law School Admission Test, 1,000 takers, by response pattern (Bock and Lieberman 1970,
 * table 1; frequencies from memory). Published: proportions right .924 .709 .553 .763 .870; Cronbach's alpha 0.295.
 */
const LSAT6 = [
  3, 6, 2, 11, 1, 1, 3, 4, 1, 8, 0, 16, 0, 3, 2, 15, 10, 29, 14, 81, 3, 28, 15, 80, 16, 56, 21, 173, 11, 61,
  28, 298,
];
test('the published figures of LSAT-6', () => {
  const rows = LSAT6.flatMap((count, pattern) =>
    Array.from({ length: count }, () => [16, 8, 4, 2, 1].map((bit) => Number((pattern & bit) > 0))),
  );
  expect(rows).toHaveLength(1000);
  const columns = [0, 1, 2, 3, 4].map((i) =>
    column(
      `I${i + 1}`,
      rows.map((row) => row[i] ?? 0),
    ),
  );
  const { items, test: whole } = statisticsOf(columns, rows.length);
  expect(Object.values(items).map((one) => one.difficulty)).toEqual([0.924, 0.709, 0.553, 0.763, 0.87]);
  expect(whole.alpha).toBeCloseTo(0.295, 3);
  expect(whole.mean).toBeCloseTo(3.819, 3);
  expect(whole.sd).toBeCloseTo(1.035, 2);
});

test('against a general statistics library: correlations with the rest, spread', () => {
  const scores = [
    [1, 0, 2, 1, 0, 2, 1, 1],
    [0, 0, 3, 1, 1, 3, 2, 0],
    [1, 1, 1, 0, 0, 1, 1, 0],
  ];
  const columns = scores.map((list, i) => column(`I${i}`, list));
  const { items, test: whole } = statisticsOf(columns, 8);
  scores.forEach((list, i) => {
    const rest = list.map((_, s) =>
      scores.reduce((sum, other, j) => sum + (j === i ? 0 : (other[s] ?? 0)), 0),
    );
    expect(items[`I${i}`]?.discrimination).toBeCloseTo(sampleCorrelation([...list], rest), 10);
  });
  const totals = scores[0]?.map((_, s) => scores.reduce((sum, list) => sum + (list[s] ?? 0), 0)) ?? [];
  expect(whole.sd).toBeCloseTo(sampleStandardDeviation(totals), 10);
  expect(whole.sem).toBeCloseTo((whole.sd ?? 0) * Math.sqrt(1 - (whole.alpha ?? 0)), 10);
});

test('an item on trial has its figures and is in no total', () => {
  const a = column('a', [1, 0, 1, 0]);
  const b = column('b', [1, 0, 0, 0]);
  const trial = column('t', [0, 1, 1, 1], { counts: false });
  const { items, test: whole } = statisticsOf([a, b, trial], 4);
  expect(whole.items).toBe(2);
  expect(whole.mean).toBe(0.75);
  expect(Object.keys(whole.alphaWithout)).toEqual(['a', 'b']);
  expect(items.t?.discrimination).toBeCloseTo(-0.870388, 5);
});

test('no answer before an answer is omitted, after the last it was not reached; both count as wrong', () => {
  const { items } = statisticsOf(
    [column('a', [1, null, 1]), column('b', [null, null, 1]), column('c', [1, null, null])],
    3,
  );
  expect([items.a, items.b, items.c].map((one) => [one?.omitted, one?.notReached])).toEqual([
    [0, 1],
    [1, 1],
    [0, 2],
  ]);
  expect(items.c?.difficulty).toBeCloseTo(1 / 3);
});

test('what does not vary has no correlation; one item no alpha; thirty are not too few', () => {
  const { items, test: whole, note } = statisticsOf([column('a', [1, 1, 1])], 3);
  expect([items.a?.discrimination, whole.alpha, whole.sem, note]).toEqual([
    null,
    null,
    null,
    'too few to lean on',
  ]);
  expect(alphaOf([column('a', [1, 1]), column('b', [0, 0])], 2)).toBeNull();
  expect(
    statisticsOf(
      [
        column(
          'a',
          Array.from({ length: 30 }, (_, i) => i % 2),
        ),
      ],
      30,
    ).note,
  ).toBeUndefined();
});

test('options: how many, which share, and who chose them', () => {
  const cells = ['A', 'B', 'A', null, 'C'];
  const chosen = column('x', [1, 0, 1, null, 0], { cells, key: 'A', maximum: 1 });
  const { items } = statisticsOf([chosen, column('y', [1, 0, 1, 0, 0])], 5);
  expect(items.x?.options?.A).toMatchObject({ n: 2, share: 0.4, pointBiserial: 1 });
  expect(Object.keys(items.x?.options ?? {})).toEqual(['A', 'B', 'C']);
});

describe('two readers', () => {
  // Cohen's own kind of example, as handbooks give it: 20 yes/yes, 5 yes/no, 10 no/yes, 15 no/no: kappa 0.4.
  test('kappa of the handbook', () => {
    const pairs = [
      ...Array.from({ length: 20 }, () => [1, 1] as const),
      ...Array.from({ length: 5 }, () => [1, 0] as const),
      ...Array.from({ length: 10 }, () => [0, 1] as const),
      ...Array.from({ length: 15 }, () => [0, 0] as const),
    ];
    const { n, exact, adjacent, kappa, quadraticKappa } = agreementOf(pairs);
    expect([n, exact, adjacent]).toEqual([50, 0.7, 1]);
    expect(kappa).toBeCloseTo(0.4, 10);
    // With two categories every weight is 0 or 1: both are one figure.
    expect(quadraticKappa).toBeCloseTo(0.4, 10);
  });
  test('quadratic weights by hand: 1-1, 2-2, 3-3, 1-3', () => {
    const { kappa, quadraticKappa } = agreementOf([
      [1, 1],
      [2, 2],
      [3, 3],
      [1, 3],
    ]);
    expect(kappa).toBeCloseTo((0.75 - 5 / 16) / (1 - 5 / 16), 10);
    expect(quadraticKappa).toBeCloseTo((0.75 - 9.5 / 16) / (1 - 9.5 / 16), 10);
  });
  test('one score only: nothing to be chance about', () => {
    expect(agreementOf([[2, 2]])).toEqual({ n: 1, exact: 1, adjacent: 1, kappa: null, quadraticKappa: null });
    expect(agreementOf([])).toMatchObject({ n: 0, exact: null });
  });
});

test('a median is what a general library of statistics says, whatever the list; of none there is none', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: -1_000, max: 1_000 }), { minLength: 1 }), (xs) =>
      expect(median(xs)).toBeCloseTo(reference(xs), 9),
    ),
  );
  expect(median([])).toBeNull();
});

test('option curves: the share that chose each option in every fifth, by the points of the other items', () => {
  // Ten students; the other item ranks them 0, 0, 1, 1, … 4, 4. Worked out by hand.
  const other = { item: 'b', counts: true, maximum: 4, key: null };
  const scores = [0, 0, 1, 1, 2, 2, 3, 3, 4, 4];
  const rest = { ...other, cells: scores.map(String), scores };
  const cells = ['B', 'B', 'B', 'A', 'A', null, 'A', 'B', 'A', 'A'];
  const column = {
    item: 'a',
    counts: true,
    cells,
    scores: cells.map((cell) => Number(cell === 'A')),
    maximum: 1,
    key: 'A',
  };
  expect(optionCurves(column, [column, rest], 10)).toEqual({
    A: [0, 0.5, 0.5, 0.5, 1],
    B: [1, 0.5, 0, 0.5, 0],
  });
  // The item itself, and one on trial, rank nobody; four students are no five groups.
  expect(optionCurves(column, [column, { ...rest, counts: false }], 10)).toEqual({
    A: [0, 0.5, 0.5, 0.5, 1],
    B: [1, 0.5, 0, 0.5, 0],
  });
  expect(optionCurves(column, [column, rest], 4)).toEqual({});
});
