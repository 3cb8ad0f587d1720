import { toJson } from '../content/value';
import { itemFrom, SCORE } from '../qti/testItem';
import { scoreItem } from './score';

/** The standard templates and mapping after the QTI 3.0 specification (worked cases from memory). */
const TEMPLATES = 'https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/';
const choices = (max: number) =>
  `<qti-item-body><qti-choice-interaction response-identifier="RESPONSE" max-choices="${max}">
     ${['A', 'B', 'C', 'D'].map((id) => `<qti-simple-choice identifier="${id}">${id}</qti-simple-choice>`).join('')}
   </qti-choice-interaction></qti-item-body>`;
const values = (...all: string[]) =>
  `<qti-correct-response>${all.map((one) => `<qti-value>${one}</qti-value>`).join('')}</qti-correct-response>`;
const template = (name: string) => `<qti-response-processing template="${TEMPLATES}${name}.xml"/>`;
const scoreOf = (inside: string, response: string | string[] | null) => {
  const { item, problems } = itemFrom(inside);
  expect(problems.filter((one) => one.severity === 'error')).toEqual([]);
  const { outcomes, progress, scoredBy } = scoreItem(item, { RESPONSE: response });
  return {
    score: toJson(outcomes.SCORE ?? null),
    maximum: toJson(outcomes.MAXSCORE ?? null),
    progress,
    scoredBy,
  };
};

describe('match_correct', () => {
  const single = `<qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="identifier">${values('B')}</qti-response-declaration>${SCORE}${choices(1)}${template('match_correct')}`;
  const several = `<qti-response-declaration identifier="RESPONSE" cardinality="multiple" base-type="identifier">${values('A', 'C')}</qti-response-declaration>${SCORE}${choices(2)}${template('match_correct')}`;
  test.each([
    [single, 'B', 1, 'complete'],
    [single, 'A', 0, 'complete'],
    [single, null, 0, 'empty'],
    [several, ['C', 'A'], 1, 'complete'],
    [several, ['A'], 0, 'partial'],
    [several, ['A', 'C', 'D'], 0, 'partial'],
  ])('case %#', (inside, response, score, progress) => {
    expect(scoreOf(inside, response)).toEqual({ score, maximum: 1, progress, scoredBy: 'machine' });
  });
});

describe('pairs and points are values of their own', () => {
  const body = '<qti-item-body><p/></qti-item-body>';
  const declared = (cardinality: string, type: string, ...correct: string[]) =>
    `<qti-response-declaration identifier="RESPONSE" cardinality="${cardinality}" base-type="${type}">${values(...correct)}</qti-response-declaration>${SCORE}${body}${template('match_correct')}`;
  test.each([
    [declared('multiple', 'directedPair', 'A G1', 'B G2'), ['B G2', 'A G1'], 1],
    [declared('multiple', 'directedPair', 'A G1', 'B G2'), ['G2 B', 'A G1'], 0],
    [declared('multiple', 'pair', 'A B', 'C D'), ['D C', 'A B'], 1],
    [declared('single', 'pair', 'A B'), 'B A', 1],
    [declared('ordered', 'directedPair', 'A G1', 'B G2'), ['B G2', 'A G1'], 0],
    [declared('single', 'point', '10 20'), '10 20', 1],
    [declared('multiple', 'point', '10 20', '30 40'), ['30 40', '10 20'], 1],
    [declared('single', 'point', '10 20'), '20 10', 0],
  ])('case %#', (inside, response, score) => {
    expect(scoreOf(inside, response).score).toBe(score);
  });
});

describe('map_response', () => {
  const mapping = (attributes: string) =>
    `<qti-response-declaration identifier="RESPONSE" cardinality="multiple" base-type="identifier">
       <qti-mapping ${attributes}>
         <qti-map-entry map-key="A" mapped-value="2"/><qti-map-entry map-key="B" mapped-value="1"/><qti-map-entry map-key="C" mapped-value="-2"/>
       </qti-mapping>
     </qti-response-declaration>${SCORE}${choices(0)}${template('map_response')}`;
  test.each([
    ['default-value="0"', ['A', 'B'], 3],
    ['default-value="0"', ['A', 'C'], 0],
    ['default-value="0"', ['C'], -2],
    ['lower-bound="0" default-value="0"', ['C'], 0],
    ['upper-bound="2" default-value="0"', ['A', 'B'], 2],
    ['default-value="-1"', ['A', 'D'], 1],
    ['default-value="0"', ['A', 'A'], 2],
    ['default-value="0"', null, 0],
  ])('%s with %j gives %d', (attributes, response, score) => {
    expect(scoreOf(mapping(attributes), response).score).toBe(score);
  });
  test('the most it can give is the sum of what is worth something, within the bounds', () => {
    expect(scoreOf(mapping('default-value="0"'), null).maximum).toBe(3);
    expect(scoreOf(mapping('upper-bound="2" default-value="0"'), null).maximum).toBe(2);
  });
  test('keys of text mind their case only where they say so', () => {
    const text = (sensitive: boolean) =>
      `<qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="string">
         <qti-mapping default-value="0"><qti-map-entry map-key="Kelp" mapped-value="1" case-sensitive="${sensitive}"/></qti-mapping>
       </qti-response-declaration>${SCORE}<qti-item-body><p><qti-text-entry-interaction response-identifier="RESPONSE"/></p></qti-item-body>${template('map_response')}`;
    expect(scoreOf(text(false), 'kelp').score).toBe(1);
    expect(scoreOf(text(true), 'kelp').score).toBe(0);
  });
});

describe('numbers as students type them', () => {
  const item = `<qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="float">${values('1200')}</qti-response-declaration>${SCORE}
    <qti-item-body><p><qti-text-entry-interaction response-identifier="RESPONSE"/> m</p></qti-item-body>${template('match_correct')}`;
  test.each([
    ['1200', 1, 'complete'],
    ['1,200', 1, 'complete'],
    [' 1200.0 ', 1, 'complete'],
    ['12oo', 0, 'partial'],
    ['12,00', 0, 'partial'],
    ['', 0, 'empty'],
    ['   ', 0, 'empty'],
  ])('%j scores %d and is %s', (response, score, progress) => {
    expect(scoreOf(item, response)).toMatchObject({ score, progress });
  });
});

describe('who scores', () => {
  const essay = '<qti-extended-text-interaction response-identifier="RESPONSE"/>';
  const response =
    '<qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="string"/>';
  test('without response processing a person does', () => {
    expect(scoreOf(`${response}${SCORE}<qti-item-body>${essay}</qti-item-body>`, 'text')).toMatchObject({
      scoredBy: 'person',
      score: 0,
      progress: 'complete',
    });
  });
  test('an outcome left to a person beside processing means both', () => {
    const human =
      '<qti-outcome-declaration identifier="STYLE" cardinality="single" base-type="float" external-scored="human"/>';
    expect(
      scoreOf(
        `${response}${SCORE}${human}<qti-item-body>${essay}</qti-item-body>${template('match_correct')}`,
        'text',
      ).scoredBy,
    ).toBe('both');
  });
});

test('lookup tables, else-if and exit are carried out in order', () => {
  const { item } = itemFrom(
    `<qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="float"/>${SCORE}
     <qti-outcome-declaration identifier="GRADE" cardinality="single" base-type="identifier">
       <qti-interpolation-table default-value="low">
         <qti-interpolation-table-entry source-value="10" target-value="high"/><qti-interpolation-table-entry source-value="5" target-value="middle" include-boundary="false"/>
       </qti-interpolation-table>
     </qti-outcome-declaration>
     <qti-item-body><p><qti-text-entry-interaction response-identifier="RESPONSE"/></p></qti-item-body>
     <qti-response-processing>
       <qti-lookup-outcome-value identifier="GRADE"><qti-variable identifier="RESPONSE"/></qti-lookup-outcome-value>
       <qti-response-condition>
         <qti-response-if><qti-gt><qti-variable identifier="RESPONSE"/><qti-base-value base-type="float">100</qti-base-value></qti-gt><qti-exit-response/></qti-response-if>
         <qti-response-else-if><qti-gt><qti-variable identifier="RESPONSE"/><qti-base-value base-type="float">5</qti-base-value></qti-gt>
           <qti-set-outcome-value identifier="SCORE"><qti-base-value base-type="integer">2</qti-base-value></qti-set-outcome-value></qti-response-else-if>
         <qti-response-else><qti-set-outcome-value identifier="SCORE"><qti-base-value base-type="float">1</qti-base-value></qti-set-outcome-value></qti-response-else>
       </qti-response-condition>
     </qti-response-processing>`,
  );
  const outcomes = (response: string | null) => {
    const scored = scoreItem(item, { RESPONSE: response }).outcomes;
    return [toJson(scored.SCORE ?? null), toJson(scored.GRADE ?? null)];
  };
  expect(outcomes('101')).toEqual([0, 'high']);
  expect(outcomes('10')).toEqual([2, 'high']);
  expect(outcomes('5')).toEqual([1, 'low']);
  expect(outcomes('5.1')).toEqual([2, 'middle']);
  expect(outcomes(null)).toEqual([1, 'low']);
});

test('an outcome whose default template processing sets begins with it', () => {
  const { item, problems } = itemFrom(
    `${SCORE}<qti-outcome-declaration identifier="START" cardinality="single" base-type="integer"/>
     <qti-template-declaration identifier="T" cardinality="single" base-type="integer"/>
     <qti-template-processing>
       <qti-set-template-value identifier="T"><qti-base-value base-type="integer">4</qti-base-value></qti-set-template-value>
       <qti-set-default-value identifier="START"><qti-sum><qti-variable identifier="T"/><qti-base-value base-type="integer">3</qti-base-value></qti-sum></qti-set-default-value>
     </qti-template-processing>
     <qti-item-body><p/></qti-item-body>
     <qti-response-processing><qti-set-outcome-value identifier="SCORE"><qti-product><qti-variable identifier="START"/><qti-default identifier="START"/></qti-product></qti-set-outcome-value></qti-response-processing>`,
  );
  expect(problems).toEqual([]);
  const { outcomes } = scoreItem(item, {});
  expect(toJson(outcomes.START ?? null)).toBe(7);
  expect(toJson(outcomes.SCORE ?? null)).toBe(49);
});

test('context variables say what their declaration says; what the surroundings do not say is NULL', () => {
  const { item, problems } = itemFrom(
    `<qti-context-declaration identifier="ROOM" cardinality="record"><qti-default-value><qti-value field-identifier="seats" base-type="integer">12</qti-value></qti-default-value></qti-context-declaration>
     ${SCORE}<qti-outcome-declaration identifier="NAMELESS" cardinality="single" base-type="boolean"/>
     <qti-item-body><p/></qti-item-body>
     <qti-response-processing>
       <qti-set-outcome-value identifier="SCORE"><qti-field-value field-identifier="seats"><qti-variable identifier="ROOM"/></qti-field-value></qti-set-outcome-value>
       <qti-set-outcome-value identifier="NAMELESS"><qti-is-null><qti-field-value field-identifier="candidateIdentifier"><qti-variable identifier="QTI_CONTEXT"/></qti-field-value></qti-is-null></qti-set-outcome-value>
     </qti-response-processing>`,
  );
  expect(problems).toEqual([]);
  const { outcomes } = scoreItem(item, {});
  expect(toJson(outcomes.SCORE ?? null)).toBe(12);
  expect(toJson(outcomes.NAMELESS ?? null)).toBe(true);
});

test('a number is read as the language of its item writes it', () => {
  const inside = `<qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="float">${values('3.5')}</qti-response-declaration>${SCORE}
    <qti-item-body><p><qti-text-entry-interaction response-identifier="RESPONSE"/></p></qti-item-body>${template('match_correct')}`;
  const score = (response: string, language: string) => {
    const { item } = itemFrom(inside, language);
    const { outcomes, progress } = scoreItem(item, { RESPONSE: response });
    return [toJson(outcomes.SCORE ?? null), progress];
  };
  expect(score('3,5', 'xml:lang="es"')).toEqual([1, 'complete']);
  expect(score('3.5', 'xml:lang="es"')).toEqual([1, 'complete']);
  expect(score('3,5', 'xml:lang="en"')).toEqual([0, 'partial']);
  expect(score('3,5', '')).toEqual([0, 'partial']);
  expect(score('3.5', 'xml:lang="en"')).toEqual([1, 'complete']);
});
