import { filesFrom, SCORE } from '../qti/testItem';
import { readPackage } from '../qti/package';
import { drawForm, questionsOf } from '../sitting/form';
import { Sitting } from '../sitting/sitting';
import { deliverTest } from './deliver';
import { openList } from './openList';

const NS = 'xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0"';
const item = (identifier: string) =>
  `<qti-assessment-item ${NS} identifier="${identifier}" title="t"><qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="string"><qti-correct-response><qti-value>yes</qti-value></qti-correct-response></qti-response-declaration>${SCORE}<qti-item-body><p><qti-text-entry-interaction response-identifier="RESPONSE"/></p></qti-item-body><qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct"/></qti-assessment-item>`;
const ITEMS = ['a', 'b', 'c', 'd'];
const ref = (identifier: string, inside = '') =>
  `<qti-assessment-item-ref identifier="${identifier}" href="${identifier}.xml">${inside}</qti-assessment-item-ref>`;
const rubric = (words: string) =>
  `<qti-rubric-block view="candidate" use="instructions"><p>${words}</p></qti-rubric-block>`;
const section = (identifier: string, inside: string) =>
  `<qti-assessment-section identifier="${identifier}" title="${identifier}" visible="true">${inside}</qti-assessment-section>`;
const never = '<qti-base-value base-type="boolean">false</qti-base-value>';
const always = '<qti-base-value base-type="boolean">true</qti-base-value>';

/** All that would keep a question from the student or an answer from counting. */
const STRICT = `
  <qti-time-limits min-time="60" max-time="600"/>
  <qti-test-part identifier="first" navigation-mode="linear" submission-mode="individual">
    <qti-item-session-control allow-skipping="false" validate-responses="true" max-attempts="2" show-feedback="true"/>
    <qti-time-limits max-time="5"/>
    ${rubric('Part one.')}
    ${section('s', `${rubric('Section s.')}${ref('a', `<qti-branch-rule target="EXIT_TEST">${always}</qti-branch-rule>`)}${section('inner', rubric('Inner.') + ref('b', `<qti-pre-condition>${never}</qti-pre-condition>`))}`)}
  </qti-test-part>
  <qti-test-part identifier="second" navigation-mode="nonlinear" submission-mode="simultaneous">
    <qti-pre-condition>${never}</qti-pre-condition>
    ${section('r', `<qti-time-limits max-time="1"/>${ref('c')}${ref('d')}`)}
  </qti-test-part>`;

function content() {
  const read = readPackage(
    filesFrom({
      'imsmanifest.xml':
        '<manifest identifier="p"><resources><resource identifier="t" type="imsqti_test_xmlv3p0" href="test.xml"/></resources></manifest>',
      'test.xml': `<qti-assessment-test ${NS} identifier="t" title="Tides">${STRICT}</qti-assessment-test>`,
      ...Object.fromEntries(ITEMS.map((one) => [`${one}.xml`, item(one)])),
    }),
  );
  const [test] = read.tests;
  if (!test) throw new Error(JSON.stringify(read.problems));
  return { ...read, test: openList(test) };
}

describe('a strict test as the screens give it', () => {
  const open = content();
  const form = drawForm(open.test, 'seed');

  test('every answer counts, whenever and in whatever order it is given', () => {
    const sitting = Sitting.begin(open, form);
    sitting.wait(30_000);
    for (const one of ['d', 'b', 'c', 'a']) {
      expect(sitting.take({ do: 'go', ref: one })).toMatchObject({ ok: true });
      expect(sitting.take({ do: 'answer', ref: one, responses: { RESPONSE: 'yes' } })).toMatchObject({
        ok: true,
      });
    }
    expect(sitting.take({ do: 'hand-in' })).toMatchObject({ ok: true });
    for (const one of ITEMS)
      expect(sitting.state.questions.get(one)?.score?.outcomes.SCORE).toMatchObject({ value: 1 });
  });

  test('the time of the whole test is kept', () => {
    const sitting = Sitting.begin(open, form);
    sitting.wait(600_001);
    expect(sitting.take({ do: 'answer', ref: 'a', responses: { RESPONSE: 'yes' } })).toMatchObject({
      ok: false,
    });
  });

  test('the browser gets all of it as one part; tries stay with the questions that have them', () => {
    const { parts, items, timeLimit } = deliverTest(open, form);
    expect(questionsOf(form).map(({ ref: one }) => one)).toEqual(ITEMS);
    expect(timeLimit).toBe(600);
    expect(parts).toHaveLength(1);
    expect(parts[0]?.sections.map((one) => one.items)).toEqual([
      ['a', 'b'],
      ['c', 'd'],
    ]);
    expect(ITEMS.map((one) => items[one]?.tries)).toEqual([2, 2, null, null]);
  });

  test('what parts and inner sections say to candidates comes with the outermost section', () => {
    const [first, second] = deliverTest(open, form).parts[0]?.sections ?? [];
    expect(JSON.stringify(first?.directions).match(/Part one|Section s|Inner/g)).toEqual([
      'Part one',
      'Section s',
      'Inner',
    ]);
    expect(second?.directions).toEqual([]);
  });

  test('one part keeps its own limit', () => {
    const [only] = open.test.parts;
    if (!only) throw new Error('no part');
    const limited = { ...only, timeLimits: { minimum: 3, maximum: 5, allowLateSubmission: true } };
    expect(openList({ ...open.test, parts: [limited] }).parts[0]?.timeLimits).toEqual({
      minimum: null,
      maximum: 5,
      allowLateSubmission: true,
    });
  });
});
