import { interactionsOf, contentText } from '../content/content';
import { deliverItem, deliverTest, itemSeed, triesOf, type ItemSession } from './deliver';
import { printValue } from '../content/print';
import * as v from '../content/value';
import { DEFAULT_SESSION_CONTROL } from '../item/test';
import { prepareItem } from '../processing/prepare';
import { scoreItem } from '../processing/score';
import { readPackage } from '../qti/package';
import { filesFrom, itemFrom, SCORE } from '../qti/testItem';
import { drawForm } from '../sitting/form';
import { bytesIn, fileText, readFile } from '../interactions/file';
import type { ChoiceModel } from '../interactions/choice';

/** Formats as C's printf defines them (ISO C, "formatted output functions"), which QTI 3.0 refers to for printed variables. */
test.each([
  [v.float(2.5), '%.2f', '2.50'],
  [v.float(1234.5), '%e', '1.2345e+3'],
  [v.integer(7), '%d', '7'],
  [v.integer(7), '%03d', '007'],
  [v.integer(255), '%x', 'ff'],
  [v.single('string', 'kelp'), '%s', 'kelp'],
  [v.single('string', 'kelp'), null, 'kelp'],
  [v.float(0.1), null, '0.1'],
  [v.single('string', 'kelp'), '%d', 'kelp'],
  [null, '%d', ''],
])('%j printed with %s is "%s"', (value, format, wanted) => {
  expect(printValue(value, { format, index: null, field: null, delimiter: ';' })).toBe(wanted);
});

test('containers and records are printed member by member', () => {
  const list = v.container('ordered', 'integer', [3, 5, 8]);
  const settings = { format: null, index: null, field: null, delimiter: ', ' };
  expect(printValue(list, settings)).toBe('3, 5, 8');
  expect(printValue(list, { ...settings, index: 2 })).toBe('5');
  const record = {
    cardinality: 'record',
    fields: { length: v.float(2), unit: v.single('string', 'm') },
  } as const;
  expect(printValue(record, settings)).toBe('length=2, unit=m');
  expect(printValue(record, { ...settings, field: 'unit' })).toBe('m');
});

const DRAWN = `
  <qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="integer"/>${SCORE}
  <qti-template-declaration identifier="A" cardinality="single" base-type="integer" math-variable="true"><qti-default-value><qti-value>1</qti-value></qti-default-value></qti-template-declaration>
  <qti-template-declaration identifier="WHO" cardinality="single" base-type="identifier"/>
  <qti-template-processing>
    <qti-set-template-value identifier="A"><qti-random-integer min="2" max="9"/></qti-set-template-value>
    <qti-template-constraint><qti-not><qti-equal tolerance-mode="exact"><qti-variable identifier="A"/><qti-base-value base-type="integer">5</qti-base-value></qti-equal></qti-not></qti-template-constraint>
    <qti-set-template-value identifier="WHO"><qti-base-value base-type="identifier">wren</qti-base-value></qti-set-template-value>
    <qti-set-correct-response identifier="RESPONSE"><qti-product><qti-variable identifier="A"/><qti-base-value base-type="integer">2</qti-base-value></qti-product></qti-set-correct-response>
  </qti-template-processing>
  <qti-item-body>
    <p>Twice <qti-printed-variable identifier="A"/><qti-template-inline template-identifier="WHO" identifier="wren"> for Wren</qti-template-inline><qti-template-inline template-identifier="WHO" identifier="bao"> for Bao</qti-template-inline><qti-template-inline template-identifier="WHO" identifier="bao" show-hide="hide"> today</qti-template-inline></p>
    <math xmlns="http://www.w3.org/1998/Math/MathML"><mn>2</mn><mo>×</mo><mi>A</mi><mo>=</mo><mi>x</mi></math>
    <p><qti-text-entry-interaction response-identifier="RESPONSE"/></p>
  </qti-item-body>
  <qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct"/>`;

describe('values drawn per attempt', () => {
  const { item, problems } = itemFrom(DRAWN);
  const drawn = (seed: string) => Number(v.toJson(prepareItem(item, seed).get('A')?.value ?? null));
  const seeds = Array.from({ length: 60 }, (_, i) => `attempt-${i}`);
  test('the item is read without a complaint', () => {
    expect(problems).toEqual([]);
  });
  test('the same seed draws the same value, others differ, and the constraint holds', () => {
    expect(drawn('one')).toBe(drawn('one'));
    const values = new Set(seeds.map(drawn));
    expect(values.size).toBeGreaterThan(3);
    expect(values.has(5)).toBe(false);
    for (const value of values) expect(value >= 2 && value <= 9).toBe(true);
  });
  test('what is shown and what is right go together', () => {
    for (const seed of seeds.slice(0, 10)) {
      const value = drawn(itemSeed(seed, 'Q'));
      const body = deliverItem(item, 'Q', seed).body;
      expect(contentText(body)).toContain(`Twice ${value} for Wren today`);
      expect(contentText(body)).not.toContain('Bao');
      expect(JSON.stringify(body)).toContain(
        `"name":"mn","namespace":"math","attributes":{},"children":[{"kind":"text","text":"${value}"}]`,
      );
      const score = (response: string) =>
        v.toJson(
          scoreItem(item, { RESPONSE: response }, { seed: itemSeed(seed, 'Q') }).outcomes.SCORE ?? null,
        );
      expect(score(String(2 * value))).toBe(1);
      expect(score(String(2 * value + 1))).toBe(0);
    }
  });
  test('a constraint that can never hold leaves the defaults (QTI 3.0, "template constraint")', () => {
    const impossible = itemFrom(
      DRAWN.replace(
        '<qti-not>',
        '<qti-and><qti-base-value base-type="boolean">false</qti-base-value><qti-not>',
      ).replace('</qti-not>', '</qti-not></qti-and>'),
    ).item;
    expect(v.toJson(prepareItem(impossible, 'one').get('A')?.value ?? null)).toBe(1);
  });
});

describe('what a student may see', () => {
  const { item } = itemFrom(
    `<qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="identifier"><qti-correct-response><qti-value>A</qti-value></qti-correct-response></qti-response-declaration>
     ${SCORE}<qti-outcome-declaration identifier="F" cardinality="single" base-type="identifier"/>
     <qti-template-declaration identifier="SHOWN" cardinality="multiple" base-type="identifier"><qti-default-value><qti-value>B</qti-value></qti-default-value></qti-template-declaration>
     <qti-item-body><qti-choice-interaction response-identifier="RESPONSE" max-choices="1" shuffle="true">
       <qti-simple-choice identifier="A" fixed="true">one</qti-simple-choice>
       <qti-simple-choice identifier="B" template-identifier="SHOWN">two</qti-simple-choice>
       <qti-simple-choice identifier="C" template-identifier="SHOWN">three</qti-simple-choice>
       <qti-simple-choice identifier="D">four</qti-simple-choice>
     </qti-choice-interaction>
     <qti-feedback-block outcome-identifier="F" identifier="right"><p>Well seen</p></qti-feedback-block></qti-item-body>
     <qti-modal-feedback outcome-identifier="F" identifier="right" title="Look"><p>Modal words</p></qti-modal-feedback>`,
    'adaptive="true"',
  );
  const session = (value: string): ItemSession => ({
    tries: 1,
    outcomes: { F: v.single('identifier', value) },
  });
  test('no key, no feedback, no choice that a template leaves out', () => {
    const delivered = deliverItem(item, 'Q', 'seed');
    const text = JSON.stringify(delivered);
    for (const secret of ['Well seen', 'Modal words', 'correctResponse', 'three'])
      expect(text).not.toContain(secret);
    const [model] = interactionsOf(delivered.body);
    const choices = (model as ChoiceModel).choices.map((one) => one.identifier);
    expect([...choices].sort()).toEqual(['A', 'B', 'D']);
    expect(choices[0]).toBe('A');
  });
  test('after a try its feedback, and only its', () => {
    expect(JSON.stringify(deliverItem(item, 'Q', 'seed', { session: session('right') }))).toContain(
      'Well seen',
    );
    const right = deliverItem(item, 'Q', 'seed', { session: session('right') });
    expect(right.feedback.map((one) => one.title)).toEqual(['Look']);
    const wrong = deliverItem(item, 'Q', 'seed', { session: session('wrong') });
    expect(wrong.feedback).toEqual([]);
    expect(JSON.stringify(wrong)).not.toContain('Well seen');
  });
  test.each([
    ['individual', 1, false, null],
    ['individual', 3, false, 3],
    ['individual', 1, true, 1],
    ['individual', 0, false, 0],
    ['simultaneous', 3, true, null],
  ] as const)(
    '%s, max-attempts %d, show-feedback %s: %s tries',
    (submission, maxAttempts, showFeedback, tries) => {
      const plain = { ...item, adaptive: false };
      expect(triesOf(plain, { ...DEFAULT_SESSION_CONTROL, maxAttempts, showFeedback }, submission)).toBe(
        tries,
      );
      // In a simultaneous part nothing is checked on the way, adaptive or not (sitting.md, "Answers").
      expect(triesOf(item, DEFAULT_SESSION_CONTROL, submission)).toBe(submission === 'individual' ? 0 : null);
    },
  );
});

test('a file travels as a data URL (RFC 2397) and comes back the same', () => {
  const file = { name: 'my map; v2.png', mediaType: 'image/png', data: 'AAEC' };
  const text = fileText(file);
  expect(text).toBe('data:image/png;name=my%20map%3B%20v2.png;base64,AAEC');
  expect(readFile(text)).toEqual(file);
  expect(readFile('log.txt')).toBeNull();
  expect([bytesIn('AAEC'), bytesIn('AAE='), bytesIn('AA=='), bytesIn('')]).toEqual([3, 2, 1, 0]);
});

test('cards of a passage and of a question with one id stay apart', () => {
  const catalog = (words: string) =>
    `<qti-catalog-info><qti-catalog id="lee"><qti-card support="glossary-on-screen"><qti-html-content><p>${words}</p></qti-html-content></qti-card></qti-catalog></qti-catalog-info>`;
  const xmlns = 'xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0"';
  const marked = '<p><span data-catalog-idref="lee">lee</span></p>';
  const { tests, items, stimuli, problems } = readPackage(
    filesFrom({
      'imsmanifest.xml': `<manifest identifier="m"><resources><resource identifier="t" type="imsqti_test_xmlv3p0" href="test.xml"/></resources></manifest>`,
      'test.xml': `<qti-assessment-test ${xmlns} identifier="t" title="T"><qti-test-part identifier="p" navigation-mode="nonlinear" submission-mode="simultaneous"><qti-assessment-section identifier="s" title="S" visible="true"><qti-assessment-item-ref identifier="q" href="item.xml"/></qti-assessment-section></qti-test-part></qti-assessment-test>`,
      'passage.xml': `<qti-assessment-stimulus ${xmlns} identifier="short" title="P"><qti-stimulus-body>${marked}</qti-stimulus-body>${catalog('away from the wind')}</qti-assessment-stimulus>`,
      'item.xml': `<qti-assessment-item ${xmlns} identifier="i" title="I" adaptive="false" time-dependent="false"><qti-assessment-stimulus-ref identifier="short" href="passage.xml"/><qti-item-body>${marked}</qti-item-body>${catalog('dregs of wine')}</qti-assessment-item>`,
    }),
  );
  const [only] = tests;
  if (!only) throw new Error(JSON.stringify(problems));
  const needs = { supports: ['glossary-on-screen'], languages: [] };
  const shown = deliverTest({ test: only, items, stimuli }, drawForm(only, 'seed'), { needs });
  const markOf = (content: unknown) =>
    /"data-catalog-idref":"([^"]+)"/.exec(JSON.stringify(content))?.[1] ?? '';
  const [inPassage, inQuestion] = [markOf(shown.stimuli.short?.body), markOf(shown.items.q?.body)];
  expect(inPassage).not.toBe(inQuestion);
  const wordsOf = (id: string) => contentText(shown.items.q?.cards[id]?.[0]?.content ?? []);
  expect(wordsOf(inPassage)).toBe('away from the wind');
  expect(wordsOf(inQuestion)).toBe('dregs of wine');
});

test('what the test takes away is not sent: neither a sheet nor its file, and a ruler is none', () => {
  const material =
    '<qti-companion-materials-info><qti-rule><qti-rule-system-si/></qti-rule><qti-digital-material label="F" href="f.pdf"/></qti-companion-materials-info><qti-item-body><p>a</p></qti-item-body>';
  const { item } = itemFrom(material);
  expect(deliverItem(item, 'q', 'seed').materials).toMatchObject({
    sheets: [{ path: 'f.pdf' }],
    rulers: [{ unit: 'cm' }],
  });
  const less = deliverItem(item, 'q', 'seed', { toolsOff: ['reference', 'ruler'] }).materials;
  expect(less).toEqual({ ...item.materials, sheets: [], rulers: [] });
});
