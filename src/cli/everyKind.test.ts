import { join } from 'node:path';
import { rawOf } from '@/core/content/response';
import { prepareItem } from '@/core/processing/prepare';
import { readPackage } from '@/core/qti/package';
import { filesAt } from '@/server/library/files';
import { scoreRows } from './scoreRows';

/**
 * Answers to the demo package "Every kind of question" with the score and the progress worked out by hand from each
 * question's text and keys: right, partly right, wrong, none, and what cannot be read.
 */
const content = readPackage(filesAt(join(process.cwd(), 'content', 'every-kind-of-question')));

type Given = string | boolean | number | null | readonly string[];
type Row = [
  item: string,
  given: Given | Record<string, Given>,
  score: number,
  progress: 'empty' | 'partial' | 'complete',
];

const TABLE: readonly Row[] = [
  ['choice-1', 'B', 1, 'complete'],
  ['choice-1', 'D', 0, 'complete'],
  ['choice-1', null, 0, 'empty'],
  ['choice-2', ['A', 'C'], 2, 'complete'],
  ['choice-2', ['A'], 1, 'partial'],
  ['choice-2', ['A', 'B'], 0, 'complete'],
  ['choice-2', ['B', 'D'], 0, 'complete'],
  ['choice-2', ['A', 'B', 'C'], 1, 'partial'],
  ['hottext-2', ['D', 'A'], 1, 'complete'],
  ['hottext-2', ['A', 'B'], 0, 'complete'],
  ['hottext-2', ['B'], 0, 'partial'],
  ['slider-2', '0.25', 1, 'complete'],
  ['slider-2', '0.5', 0, 'complete'],
  ['order-1', ['C', 'A', 'D', 'B'], 1, 'complete'],
  ['order-1', ['A', 'B', 'C', 'D'], 0, 'complete'],
  ['order-1', ['C', 'A'], 0, 'partial'],
  ['order-2', ['X', 'Z', 'Y'], 1, 'complete'],
  // One of three stands where it belongs.
  ['order-2', ['X', 'Y', 'Z'], 1 / 3, 'complete'],
  ['order-2', ['Z', 'Y', 'X'], 0, 'complete'],
  ['inline-choice-1', 'LT', 1, 'complete'],
  ['inline-choice-1', 'GT', 0, 'complete'],
  ['inline-choice-2', { R1: 'B', R2: 'A' }, 2, 'complete'],
  ['inline-choice-2', { R1: 'B', R2: null }, 1, 'partial'],
  ['inline-choice-2', { R1: null, R2: null }, 0, 'empty'],
  ['hottext-1', 'B', 1, 'complete'],
  ['hottext-1', 'A', 0, 'complete'],
  ['slider-1', '8', 1, 'complete'],
  ['slider-1', null, 0, 'empty'],
  ['text-entry-1', '37.5', 1, 'complete'],
  ['text-entry-1', '37.50', 1, 'complete'],
  ['text-entry-1', 37.5, 1, 'complete'],
  ['text-entry-1', '375', 0, 'complete'],
  ['text-entry-1', 'about 37', 0, 'partial'],
  ['text-entry-2', 'Ebb', 1, 'complete'],
  ['text-entry-2', 'flow', 0, 'complete'],
  ['equation-1', '\\frac{1}{6}', 1, 'complete'],
  ['equation-1', '1/6', 1, 'complete'],
  ['equation-1', '\\frac{2}{12}', 0, 'complete'],
  ['equation-1', '\\frac{1}{\\placeholder{}}', 0, 'partial'],
  ['equation-1', '{{{{', 0, 'partial'],
  ['equation-2', 'y=3x+2', 1, 'complete'],
  ['equation-2', '3x+2=y', 1, 'complete'],
  ['equation-2', '2y=6x+4', 1, 'complete'],
  ['equation-2', 'y=2x+3', 0, 'complete'],
  ['equation-2', '3x+2', 0, 'partial'],
  ['gap-match-1', ['K G1', 'S G2', 'R G3'], 3, 'complete'],
  ['gap-match-1', ['K G1', 'R G2'], 1, 'partial'],
  ['gap-match-1', ['S G1', 'R G2', 'K G3'], 0, 'complete'],
  ['gap-match-2', ['N2 G1', 'N2 G2', 'N6 G3'], 1, 'complete'],
  ['gap-match-2', ['N6 G1', 'N2 G2', 'N2 G3'], 0, 'complete'],
  ['match-1', ['A X', 'B X', 'C Y', 'D Z'], 1, 'complete'],
  ['match-1', ['A X', 'B X', 'C Y'], 0, 'partial'],
  ['match-2', ['A T', 'B F', 'C T'], 3, 'complete'],
  ['match-2', ['A T', 'B T', 'C T'], 2, 'complete'],
  ['match-2', ['A T'], 1, 'partial'],
  ['order-3', ['C', 'A'], 1, 'complete'],
  ['order-3', ['A', 'C'], 0, 'complete'],
  ['order-3', ['C'], 0, 'partial'],
  ['associate-1', ['A D', 'B E'], 2, 'complete'],
  ['associate-1', ['D A', 'E B'], 2, 'complete'],
  ['associate-1', ['A D'], 1, 'partial'],
  ['associate-2', ['B W', 'W I'], 1, 'complete'],
  ['associate-2', ['B I', 'W T'], 0, 'complete'],
  ['hotspot-1', 'LOW', 1, 'complete'],
  ['hotspot-1', 'GAN', 0, 'complete'],
  ['hotspot-2', ['OUT', 'GAN'], 2, 'complete'],
  ['hotspot-2', ['OUT', 'LOW'], 0, 'complete'],
  ['hotspot-2', ['OUT'], 1, 'partial'],
  ['select-point-1', '380 70', 1, 'complete'],
  // 37 pixels to the right is inside the circle of 38, 39 is not.
  ['select-point-1', '417 70', 1, 'complete'],
  ['select-point-1', '419 70', 0, 'complete'],
  ['select-point-1', 'on the rock', 0, 'empty'],
  ['select-point-2', ['245 285', '235 180'], 2, 'complete'],
  // Each area counts once: two points in the harbour are one.
  ['select-point-2', ['245 285', '250 290'], 1, 'complete'],
  ['select-point-2', ['245 285'], 1, 'partial'],
  ['graphic-order-1', ['HAR', 'LOW', 'OUT', 'GAN'], 1, 'complete'],
  ['graphic-order-1', ['HAR', 'OUT', 'LOW', 'GAN'], 0, 'complete'],
  ['graphic-order-1', ['HAR', 'LOW'], 0, 'partial'],
  ['graphic-order-2', ['OUT', 'GAN'], 1, 'complete'],
  ['graphic-associate-1', ['LOW HAR', 'OUT LOW'], 2, 'complete'],
  ['graphic-associate-1', ['HAR OUT'], 0, 'partial'],
  ['graphic-associate-2', ['GAN OUT'], 1, 'complete'],
  ['graphic-gap-match-1', ['A S1', 'B S2', 'C S3'], 3, 'complete'],
  ['graphic-gap-match-1', ['A S1', 'C S2', 'B S3'], 1, 'complete'],
  ['graphic-gap-match-1', ['A S1'], 1, 'partial'],
  ['graphic-gap-match-2', ['B2 W', 'B1 W', 'B3 E'], 1, 'complete'],
  ['graphic-gap-match-2', ['B1 W', 'B2 E', 'B3 E'], 0, 'complete'],
  ['position-object-1', '245 240', 1, 'complete'],
  ['position-object-1', '245 200', 0, 'complete'],
  ['position-object-2', { RESPONSE: ['245 60', '60 200'], BOAT: '245 260' }, 3, 'complete'],
  ['position-object-2', { RESPONSE: ['245 60', '246 61'], BOAT: '10 10' }, 1, 'complete'],
  ['position-object-2', { RESPONSE: ['245 60', '60 200'] }, 2, 'partial'],
  ['position-object-2', { RESPONSE: ['245 60'], BOAT: '245 260' }, 2, 'partial'],
  ['number-line-1', ['-1.5', '0.75'], 1, 'complete'],
  ['number-line-1', ['0.75', '-1.5'], 1, 'complete'],
  ['number-line-1', ['-1.5'], 0, 'partial'],
  ['number-line-1', ['-1.5', '0.5'], 0, 'complete'],
  ['number-line-2', '[-1,2)', 1, 'complete'],
  ['number-line-2', '[-1,0]U[0,2)', 1, 'complete'],
  ['number-line-2', '[-1,2]', 0, 'complete'],
  ['number-line-2', 'from -1 to 2', 0, 'partial'],
  ['number-line-3', ['1.6666666666666667'], 1, 'complete'],
  ['number-line-3', ['1.67'], 0, 'complete'],
  ['coordinate-plane-1', ['LINE(1 3,-1 -1)'], 1, 'complete'],
  ['coordinate-plane-1', ['LINE(0 1,1 2)'], 0, 'complete'],
  ['coordinate-plane-1', ['LINE(0 1)'], 0, 'partial'],
  ['coordinate-plane-2', ['POLYGON(0 0,4 0,4 3)'], 1, 'complete'],
  ['coordinate-plane-2', ['POLYGON(2 1,2 5,5 1)'], 1, 'complete'],
  ['coordinate-plane-2', ['POLYGON(0 0,4 0,1 3)'], 0, 'complete'],
  ['coordinate-plane-3', ['HALFPLANE(-3 2,5 2;0 -4;open)'], 1, 'complete'],
  ['coordinate-plane-3', ['HALFPLANE(-3 2,5 2;0 -4;closed)'], 0, 'complete'],
  ['coordinate-plane-3', ['HALFPLANE(-3 2,5 2;0 4;open)'], 0, 'complete'],
  ['partition-1', ['true', 'true', 'true', 'false'], 1, 'complete'],
  ['partition-1', ['true', 'true', 'true', 'true', 'true', 'true', 'false', 'false'], 1, 'complete'],
  ['partition-1', ['true', 'true', 'false', 'false'], 0, 'complete'],
  ['partition-1', ['false', 'false'], 0, 'partial'],
  ['partition-2', ['false', 'true', 'false', 'true', 'false'], 1, 'complete'],
  // Four tenths are two fifths, but fifths were asked for.
  [
    'partition-2',
    ['true', 'true', 'true', 'true', 'false', 'false', 'false', 'false', 'false', 'false'],
    0,
    'complete',
  ],
  ['tally-plot-1', ['2', '0', '3', '1'], 1, 'complete'],
  ['tally-plot-1', ['2', '1', '3', '1'], 0, 'complete'],
  ['tally-plot-1', ['2', '0'], 0, 'partial'],
  ['tally-plot-2', ['20', '35', '15'], 1, 'complete'],
  ['tally-plot-2', ['20', '35', '20'], 0, 'complete'],
  ['tally-plot-3', ['3', '3', '3'], 1, 'complete'],
  ['tally-plot-3', ['4', '3', '2'], 0, 'complete'],
  ['cell-grid-1', [1, 2, 3].flatMap((r) => [2, 3, 4, 5].map((c) => `r${r}c${c}`)), 1, 'complete'],
  ['cell-grid-1', ['r1c1', 'r1c2'], 0, 'complete'],
  ['cell-grid-2', [3, 2, 1].flatMap((r) => [1, 2, 3, 4].map((c) => `r${r}c${c}`)), 1, 'complete'],
  ['cell-grid-2', ['r1c1'], 0, 'complete'],
  ['media-1', { PLAYS: '1', RESPONSE: 'C' }, 1, 'complete'],
  ['media-1', { PLAYS: null, RESPONSE: 'C' }, 1, 'partial'],
  ['media-2', { PLAYS: null, RESPONSE: '2' }, 1, 'complete'],
  ['media-2', { PLAYS: '4', RESPONSE: '3' }, 0, 'complete'],
  ['end-attempt-1', { RESPONSE: 'B', HINT: null }, 2, 'complete'],
  ['end-attempt-1', { RESPONSE: 'B', HINT: true }, 0, 'complete'],
  ['end-attempt-1', { RESPONSE: 'A' }, 0, 'complete'],
];

test('the package is delivered whole', () => {
  expect(content.problems.filter((one) => one.severity === 'error')).toEqual([]);
  expect(content.items.size).toBe(57);
});

test.each(TABLE.map(([item, given, score, progress]) => ({ item, given, score, progress })))(
  '$item, $given: $score, $progress',
  ({ item, given, score, progress }) => {
    const isRecord = typeof given === 'object' && given !== null && !Array.isArray(given);
    const [row] = scoreRows(content, [{ item, responses: isRecord ? given : { RESPONSE: given } }]);
    expect(row?.error).toBeUndefined();
    expect(row).toMatchObject({ progress, scoredBy: 'machine' });
    expect(row?.outcomes?.SCORE).toBe(score);
  },
);

const machine = [...content.items.values()].filter((item) => item.responseProcessing !== null);

test('every machine-scored question is in the table', () => {
  const untried = machine
    .map((item) => item.identifier)
    .filter((item) => !TABLE.some(([one]) => one === item));
  // Values of its own are drawn for each attempt: tried below with the answer that was drawn.
  expect(untried).toEqual(['end-attempt-2']);
});

/** The answer of the key, or of the table where any of several answers is right. */
const RIGHT_IN_TABLE: Readonly<Record<string, Given>> = {
  'cell-grid-1': [
    'r1c1',
    'r1c2',
    'r1c3',
    'r1c4',
    'r2c1',
    'r2c2',
    'r2c3',
    'r2c4',
    'r3c1',
    'r3c2',
    'r3c3',
    'r3c4',
  ],
};

describe.each(machine.map((item) => [item.identifier, item] as const))('%s', (identifier, item) => {
  const scored = (responses: Record<string, unknown>) => {
    const [row] = scoreRows(content, [{ item: identifier, responses }]);
    return row;
  };
  const everywhere = (given: unknown) =>
    Object.fromEntries(item.responses.map((response) => [response.identifier, given]));
  const isHint = item.responses.some((response) => response.identifier === 'HINT');
  test('the right answer has every point', () => {
    const variables = prepareItem(item, identifier);
    const key = Object.fromEntries(
      item.responses.map((response) => [
        response.identifier,
        RIGHT_IN_TABLE[identifier] ?? rawOf(variables.get(response.identifier)?.correctResponse ?? null),
      ]),
    );
    const row = scored(key);
    expect(row?.error).toBeUndefined();
    expect(row?.outcomes?.SCORE).toBe(row?.outcomes?.MAXSCORE);
    expect(row?.progress).toBe(identifier === 'media-1' ? 'partial' : 'complete');
  });
  test('no answer is empty and worth nothing', () => {
    for (const nothing of [{}, everywhere(null), everywhere(''), everywhere([])])
      expect(scored(nothing)).toMatchObject({ progress: 'empty', outcomes: { SCORE: 0 } });
  });
  test.each([
    ['a word', '~!'],
    ['words', 'x y z'],
    ['a number', 12345.5],
    ['half a formula', '\\frac{1}{'],
    ['a list', ['~!', 'A A', 'x y z']],
    ['a record', { a: '1', b: null }],
    ['ten thousand brackets', '('.repeat(10_000)],
  ])('%s is worth nothing and no exception', (_what, given) => {
    const row = scored(everywhere(given));
    expect(row?.outcomes?.SCORE).toBe(0);
    // What a box for words or a scribbled number takes is an answer, if a wrong one; anything else is not complete.
    if (!/text-entry|equation|slider|media/.test(identifier) && !isHint)
      expect(row?.progress).not.toBe('complete');
  });
});

test.each([
  'extended-text-1',
  'extended-text-2',
  'equation-3',
  'upload-1',
  'upload-2',
  'drawing-1',
  'drawing-2',
])('%s is scored by a person', (item) => {
  const [row] = scoreRows(content, [{ item, responses: {} }]);
  expect(row).toMatchObject({ scoredBy: 'person', progress: 'empty' });
});
