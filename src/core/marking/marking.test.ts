import { toJson } from '../content/value';
import { scoreItem } from '../processing/score';
import { itemFrom, SCORE } from '../qti/testItem';
import { areFit, settle, traitsOf, withPoints, type MarkingRule } from './marking';

const TEXT = `<qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="string"/>`;
const BODY = `<qti-item-body><qti-extended-text-interaction response-identifier="RESPONSE"/></qti-item-body>`;
const outcome = (name: string, more = '') =>
  `<qti-outcome-declaration identifier="${name}" cardinality="single" base-type="float" ${more}/>`;
const ESSAY = itemFrom(`${TEXT}${outcome('SCORE', 'normal-maximum="4"')}${BODY}`).item;
const TRAITS = itemFrom(
  `${TEXT}${SCORE}${outcome('IDEAS', 'external-scored="human" normal-maximum="4"')}${outcome('STYLE', 'external-scored="human" normal-minimum="-1" normal-maximum="2"')}${BODY}
   <qti-response-processing><qti-set-outcome-value identifier="SCORE"><qti-base-value base-type="float">1</qti-base-value></qti-set-outcome-value></qti-response-processing>`,
).item;
const MACHINE = itemFrom(
  `<qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="string"><qti-correct-response><qti-value>a</qti-value></qti-correct-response></qti-response-declaration>${SCORE}<qti-item-body><p><qti-text-entry-interaction response-identifier="RESPONSE"/></p></qti-item-body>
   <qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct.xml"/>`,
).item;

test('a person gives the score as a whole, or each outcome that is theirs; nothing where a machine scores alone', () => {
  expect(traitsOf(ESSAY)).toEqual([{ outcome: 'SCORE', minimum: 0, maximum: 4 }]);
  expect(traitsOf(TRAITS)).toEqual([
    { outcome: 'IDEAS', minimum: 0, maximum: 4 },
    { outcome: 'STYLE', minimum: -1, maximum: 2 },
  ]);
  expect(traitsOf(MACHINE)).toEqual([]);
});

test.each([
  [ESSAY, { SCORE: 4 }, true],
  [ESSAY, { SCORE: 0.25 }, true],
  [ESSAY, { SCORE: 0.3 }, false],
  [ESSAY, { SCORE: 4.25 }, false],
  [ESSAY, { SCORE: -1 }, false],
  [ESSAY, { SCORE: Number.NaN }, false],
  [ESSAY, {}, false],
  [ESSAY, { SCORE: 1, MAXSCORE: 9 }, false],
  [TRAITS, { IDEAS: 4, STYLE: -1 }, true],
  [TRAITS, { IDEAS: 4 }, false],
  [TRAITS, { IDEAS: 4, SCORE: 4 }, false],
  [MACHINE, { SCORE: 1 }, false],
])('points %# are fit or not', (item, points, fit) => {
  expect(areFit(item, points)).toBe(fit);
});

test('traits are added to what the machine gave; a score as a whole takes its place', () => {
  const { outcomes } = scoreItem(TRAITS, { RESPONSE: 'words' });
  const marked = withPoints(TRAITS, outcomes, { IDEAS: 3, STYLE: -0.5 });
  expect([marked.SCORE, marked.IDEAS, marked.STYLE].map((one) => toJson(one ?? null))).toEqual([
    3.5, 3, -0.5,
  ]);
  const essay = withPoints(ESSAY, scoreItem(ESSAY, { RESPONSE: 'words' }).outcomes, { SCORE: 2.5 });
  expect(toJson(essay.SCORE ?? null)).toBe(2.5);
});

describe('what comes of several readers', () => {
  const twice: MarkingRule = { readers: 2, differBy: 1 };
  const score = (...points: number[]) => points.map((SCORE) => ({ SCORE }));
  test.each([
    [score(), twice, { state: 'waits', for: 'first' }],
    [score(2), twice, { state: 'waits', for: 'second' }],
    [score(2, 3), twice, { state: 'settled', points: { SCORE: 2.5 } }],
    [score(0, 3), twice, { state: 'waits', for: 'third' }],
    [score(0, 3, 1), twice, { state: 'settled', points: { SCORE: 1 } }],
    [score(2), { readers: 1, differBy: 0 }, { state: 'settled', points: { SCORE: 2 } }],
    [
      [
        { IDEAS: 1, STYLE: 2 },
        { IDEAS: 2, STYLE: 1 },
      ],
      { readers: 2, differBy: 0 },
      { state: 'settled', points: { IDEAS: 1.5, STYLE: 1.5 } },
    ],
  ] as const)('case %#', (marks, rule, settled) => {
    expect(settle(marks, rule)).toEqual(settled);
  });
});
