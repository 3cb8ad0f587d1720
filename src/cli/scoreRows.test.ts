import { readPackage } from '@/core/qti/package';
import { filesAt } from '@/server/library/files';
import { scoreRows } from './scoreRows';

const content = readPackage(filesAt('content/skerry-sound-grade-6'));

/** Hand-worked expectations for every item of the demo test: right, partly, wrong, none. */
test.each<[item: string, responses: Record<string, unknown>, score: number, progress: string]>([
  ['reading-1', { RESPONSE: 'B' }, 1, 'complete'],
  ['reading-2', { RESPONSE: ['B', 'D'] }, 2, 'complete'],
  ['reading-2', { RESPONSE: ['B', 'A'] }, 0, 'complete'],
  ['reading-3', { RESPONSE_A: 'C', RESPONSE_B: 'D' }, 2, 'complete'],
  ['reading-3', { RESPONSE_A: 'A', RESPONSE_B: 'D' }, 0, 'complete'],
  ['reading-3', { RESPONSE_A: 'C' }, 1, 'partial'],
  ['reading-4', { RESPONSE_1: 'B', RESPONSE_2: 'C' }, 1, 'complete'],
  ['measuring-1', { RESPONSE: 37.5 }, 1, 'complete'],
  ['measuring-1', { RESPONSE: '37,5' }, 0, 'partial'],
  ['measuring-2', { RESPONSE: ['A', 'C', 'E'] }, 3, 'complete'],
  ['measuring-3', { RESPONSE: ['N96 G3', 'N12 G1', 'N8 G2'] }, 2, 'complete'],
  ['measuring-3', { RESPONSE: ['N8 G1', 'N12 G2', 'N96 G3'] }, 2, 'complete'],
  ['measuring-3', { RESPONSE: ['N20 G1', 'N96 G3'] }, 1, 'partial'],
  ['measuring-4', { RESPONSE: '\\frac{3}{4}' }, 2, 'complete'],
  ['measuring-4', { RESPONSE: '6/8' }, 1, 'complete'],
  ['measuring-4', { RESPONSE: '0.75' }, 0, 'complete'],
  ['measuring-5', { RESPONSE: '2(3n+2)' }, 1, 'complete'],
  ['measuring-5', { RESPONSE: '10n' }, 0, 'complete'],
  ['measuring-6', { RESPONSE: ['R1 T', 'R2 F', 'R3 T', 'R4 T'] }, 3, 'complete'],
  ['measuring-7', { RESPONSE_A: 'C', RESPONSE_B: 20 }, 2, 'complete'],
  ['measuring-7', { RESPONSE_A: null, RESPONSE_B: '20' }, 1, 'partial'],
  ['measuring-7', {}, 0, 'empty'],
])('%s with %j scores %d and is %s', (item, responses, score, progress) => {
  expect(scoreRows(content, [{ item, responses }])[0]).toMatchObject({
    item,
    outcomes: { SCORE: score },
    progress,
    scoredBy: 'machine',
  });
});

test('what is wrong with a row is said in it, and the rest is scored', () => {
  const rows = scoreRows(content, [
    { item: 'nope', responses: {} },
    { item: 'reading-1', responses: { OTHER: 'B' } },
    { item: 'reading-1', responses: { RESPONSE: ['A', 'B'] } },
    { item: 'reading-1', responses: { RESPONSE: { a: 'B' } } },
    'nonsense',
    { item: 'reading-5', responses: { RESPONSE: 'Two sentences.' } },
  ]);
  expect(rows.map((one) => one.error === undefined)).toEqual([false, false, false, false, false, true]);
  // An item that is not there cannot be scored; a response that is not there, or has another shape, counts as not given.
  expect(rows.map((one) => one.outcomes?.SCORE)).toEqual([undefined, 0, 0, 0, undefined, 0]);
  expect(rows[1]).toMatchObject({ progress: 'empty', error: 'the item has no response OTHER' });
  expect(rows[5]).toMatchObject({ scoredBy: 'person', progress: 'complete', outcomes: { MAXSCORE: 2 } });
});
