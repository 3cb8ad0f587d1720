import { interactionsOf } from '../../content/content';
import { integer, single, type BaseType, type Cardinality, type Value } from '../../content/value';
import { deliverItem } from '../../deliver/deliver';
import { responseProblem } from '../../item/responseProblem';
import { scoreItem } from '../../processing/score';
import { itemFrom, SCORE } from '../../qti/testItem';
import { FILE_PREFIX, type PortableCustomModel } from './index';
import { fromQtiJson, toQtiJson } from './json';

const SOURCES = {
  'modules/gauge.js': 'define(["water"], function () {});',
  'modules/water.js': 'define([], function () {});',
  'modules/paths.json': '{ "paths": { "water": ["https://elsewhere.test/water", "modules/water"] } }',
  'modules/odd.json': 'var paths = 1;',
};
const moduleAt = (id: string, path: string, more = '') =>
  `<qti-interaction-module id="${id}" primary-path="${path}" ${more}/>`;
const item = (inside: string, attributes = 'module="gauge"') =>
  itemFrom(
    `<qti-response-declaration identifier="R" cardinality="single" base-type="integer"><qti-correct-response><qti-value>3</qti-value></qti-correct-response></qti-response-declaration>
     <qti-template-declaration identifier="LOW" cardinality="single" base-type="integer"><qti-default-value><qti-value>4</qti-value></qti-default-value></qti-template-declaration>${SCORE}
     <qti-item-body><qti-portable-custom-interaction response-identifier="R" custom-interaction-type-identifier="urn:elsewhere:gauge" data-most="20" ${attributes}>${inside}</qti-portable-custom-interaction></qti-item-body>`,
    '',
    SOURCES,
  );
const modelOf = (read: ReturnType<typeof item>) =>
  interactionsOf(read.item.body)[0] as PortableCustomModel | undefined;

test('a program is read with its modules, what the item sets, its markup and the values it may see', () => {
  const read = item(
    `<qti-prompt>Set it.</qti-prompt>
     <qti-interaction-modules primary-configuration="modules/paths.json">${moduleAt('gauge', 'modules/gauge.js')}</qti-interaction-modules>
     <qti-template-variable template-identifier="LOW"/>
     <qti-interaction-markup><p class="hint">Low &amp; high<img src="sea.svg" alt="Sea"/></p></qti-interaction-markup>`,
  );
  expect(read.problems).toEqual([]);
  expect(modelOf(read)).toMatchObject({
    typeIdentifier: 'urn:elsewhere:gauge',
    module: 'gauge',
    modules: [
      { id: 'gauge', source: SOURCES['modules/gauge.js'] },
      { id: 'water', source: SOURCES['modules/water.js'] },
    ],
    properties: { most: '20' },
    files: ['sea.svg'],
    variables: ['LOW'],
  });
  const markup = modelOf(read)?.markup ?? '';
  expect(markup).toContain('xmlns="http://www.w3.org/1999/xhtml"');
  expect(markup).toContain(`src="${FILE_PREFIX}sea.svg"`);
  expect(markup).toContain('Low &amp; high');
  // In an attempt it has the values drawn for it, and no right answer.
  const delivered = deliverItem(read.item, 'r', 'seed');
  expect(interactionsOf(delivered.body)[0]).toMatchObject({ values: { LOW: { base: { integer: 4 } } } });
  expect(JSON.stringify(delivered)).not.toContain('correct');
});

test.each([
  ['a module that is not in the package', moduleAt('gauge', 'modules/none.js'), 'missing-file'],
  ['a module from elsewhere', moduleAt('gauge', 'https://elsewhere.test/gauge.js'), 'missing-file'],
  ['no module at all', '', 'property'],
  ['a beginning that is none of them', moduleAt('water', 'modules/water.js'), 'property'],
] as const)('refused by name: %s', (_what, modules, code) => {
  const read = item(`<qti-interaction-modules>${modules}</qti-interaction-modules>`);
  expect(read.problems.filter(({ severity }) => severity === 'error').map((one) => one.code)).toContain(code);
});

test('what is not honored is named, and a second path is taken where the first leads nowhere', () => {
  const read = item(
    `<qti-interaction-modules secondary-configuration="modules/odd.json">${moduleAt('gauge', 'modules/none.js', 'fallback-path="modules/gauge.js"')}</qti-interaction-modules>
     <qti-context-variable identifier="QTI_CONTEXT"/><qti-stylesheet href="a.css"/>
     <qti-interaction-markup><p onclick="x()">A<script>alert(1)</script></p></qti-interaction-markup>`,
  );
  expect(read.problems.map(({ severity, code }) => `${severity} ${code}`)).toEqual([
    'warning configuration-set-aside',
    'warning element-set-aside',
    'warning element-set-aside',
    'warning script-set-aside',
    'warning script-set-aside',
  ]);
  expect(modelOf(read)?.modules).toHaveLength(1);
  expect(modelOf(read)?.markup).not.toMatch(/script|onclick/);
});

test('another name of ours is no program of somebody else', () => {
  const { problems } = itemFrom(
    '<qti-response-declaration identifier="R" cardinality="single" base-type="integer"/><qti-item-body><qti-portable-custom-interaction response-identifier="R" custom-interaction-type-identifier="urn:able-compass:none"/></qti-item-body>',
  );
  expect(problems.map(({ code }) => code)).toContain('unsupported-interaction');
});

test('its answers are scored like any other, and what it could not answer is not taken', () => {
  const { item: read } = item(
    `<qti-interaction-modules>${moduleAt('gauge', 'modules/gauge.js')}</qti-interaction-modules>`,
  );
  const scored = { ...read, responseProcessing: { kind: 'template', template: 'match_correct' } } as const;
  // The template is about RESPONSE, so the response is called so here.
  const renamed = JSON.parse(JSON.stringify(scored).replaceAll('"R"', '"RESPONSE"')) as typeof scored;
  expect(scoreItem(renamed, { RESPONSE: '3' }).outcomes.SCORE).toMatchObject({ value: 1 });
  expect(scoreItem(renamed, { RESPONSE: '4' }).outcomes.SCORE).toMatchObject({ value: 0 });
  expect(responseProblem(read, 'R', 'many')).toBe('impossible');
  expect(responseProblem(read, 'R', '7')).toBeNull();
});

/** Written down from IMS PCI 1.0, "JSON representation" (from memory). */
const PAIRS: readonly (readonly [Cardinality, BaseType, unknown, unknown])[] = [
  ['single', 'integer', { base: { integer: 3 } }, '3'],
  ['single', 'float', { base: { float: 0.5 } }, '0.5'],
  ['single', 'boolean', { base: { boolean: true } }, 'true'],
  ['single', 'string', { base: { string: 'tide' } }, 'tide'],
  ['single', 'identifier', { base: { identifier: 'A' } }, 'A'],
  ['single', 'point', { base: { point: [2, 3] } }, '2 3'],
  ['single', 'pair', { base: { pair: ['A', 'B'] } }, 'A B'],
  ['single', 'directedPair', { base: { directedPair: ['A', 'B'] } }, 'A B'],
  ['multiple', 'identifier', { list: { identifier: ['A', 'B'] } }, ['A', 'B']],
  ['ordered', 'integer', { list: { integer: [3, 1] } }, ['3', '1']],
  ['multiple', 'directedPair', { list: { directedPair: [['A', 'B']] } }, ['A B']],
  ['multiple', 'identifier', { list: { identifier: [] } }, null],
  ['single', 'integer', { base: null }, null],
  ['single', 'integer', null, null],
];
test.each(PAIRS)('%s %s: %j', (cardinality, baseType, json, raw) => {
  expect(fromQtiJson(json, { identifier: 'R', cardinality, baseType })).toEqual(raw);
});

test.each([
  ['single', 'integer', { base: { integer: 'three' } }],
  ['single', 'integer', { base: { integer: { valueOf: 3 } } }],
  ['single', 'integer', { list: { integer: [3] } }],
  ['multiple', 'integer', { base: { integer: 3 } }],
  ['multiple', 'integer', { list: { integer: [3, 'x'] } }],
  ['single', 'integer', 'three'],
  ['single', 'integer', [3]],
] as const)('a %s %s is not %j', (cardinality, baseType, json) => {
  expect(fromQtiJson(json, { identifier: 'R', cardinality, baseType })).toBeUndefined();
});

test('values go to a program as they come from it', () => {
  const values: readonly (readonly [Value, unknown])[] = [
    [null, { base: null }],
    [integer(3), { base: { integer: 3 } }],
    [single('point', [2, 3]), { base: { point: [2, 3] } }],
    [
      { cardinality: 'ordered', baseType: 'identifier', values: ['A', 'B'] },
      { list: { identifier: ['A', 'B'] } },
    ],
    [
      { cardinality: 'record', fields: { a: integer(1), b: null } },
      {
        record: [
          { name: 'a', base: { integer: 1 } },
          { name: 'b', base: null },
        ],
      },
    ],
  ];
  for (const [value, json] of values) expect(toQtiJson(value)).toEqual(json);
});
