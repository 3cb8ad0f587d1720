import { BASE_TYPES, CARDINALITIES } from '../content/value';
import { itemFrom } from '../qti/testItem';

/**
 * Which responses each interaction may be bound to: the standard's table of interactions and their response variables (QTI 3.0
 * information model, "Interactions"; from memory), and items.md for ours, which also take whole numbers for floats, one point or
 * object where one is asked for, and drawings in order. Everything else must be refused at import.
 */
const IMG = '<img src="map.svg" alt="map" width="90" height="60"/>';
const choice = (tag: string, attributes = '') =>
  ['A', 'B'].map((id) => `<${tag} identifier="${id}" ${attributes}>${id}</${tag}>`).join('');
const spot = (tag: string, attributes = '') =>
  ['A', 'B']
    .map((id, i) => `<${tag} identifier="${id}" shape="circle" coords="${20 * i},9,8" ${attributes}/>`)
    .join('');
const set = `<qti-simple-match-set>${choice('qti-simple-associable-choice', 'match-max="1"')}</qti-simple-match-set>`;
const ours = (name: string, attributes: string) =>
  `<qti-portable-custom-interaction response-identifier="R" custom-interaction-type-identifier="urn:able-compass:${name}" ${attributes}/>`;
const block = (name: string, inside: string) =>
  `<qti-${name}-interaction response-identifier="R">${inside}</qti-${name}-interaction>`;

type Allowed = readonly [cardinalities: string, types: string];
const TABLE: readonly [name: string, body: string, ...allowed: Allowed[]][] = [
  ['choice', block('choice', choice('qti-simple-choice')), ['single multiple', 'identifier']],
  ['order', block('order', choice('qti-simple-choice')), ['ordered', 'identifier']],
  [
    'associate',
    block('associate', choice('qti-simple-associable-choice', 'match-max="1"')),
    ['single multiple', 'pair'],
  ],
  [
    'match',
    block('match', set + set.replaceAll('"A"', '"C"').replaceAll('"B"', '"D"')),
    ['single multiple', 'directedPair'],
  ],
  [
    'gap match',
    block('gap-match', `${choice('qti-gap-text', 'match-max="1"')}<p><qti-gap identifier="G"/></p>`),
    ['single multiple', 'directedPair'],
  ],
  [
    'inline choice',
    `<p>${block('inline-choice', choice('qti-inline-choice'))}</p>`,
    ['single', 'identifier'],
  ],
  ['text entry', `<p>${block('text-entry', '')}</p>`, ['single', 'string integer float'], ['record', '']],
  [
    'extended text',
    block('extended-text', ''),
    ['single multiple ordered', 'string integer float'],
    ['record', ''],
  ],
  ['hottext', block('hottext', `<p>${choice('qti-hottext')}</p>`), ['single multiple', 'identifier']],
  ['hotspot', block('hotspot', IMG + spot('qti-hotspot-choice')), ['single multiple', 'identifier']],
  ['select point', block('select-point', IMG), ['single multiple', 'point']],
  ['graphic order', block('graphic-order', IMG + spot('qti-hotspot-choice')), ['ordered', 'identifier']],
  [
    'graphic associate',
    block('graphic-associate', IMG + spot('qti-associable-hotspot', 'match-max="1"')),
    ['single multiple', 'pair'],
  ],
  [
    'graphic gap match',
    block(
      'graphic-gap-match',
      `${IMG}<qti-gap-text identifier="T" match-max="1">t</qti-gap-text>${spot('qti-associable-hotspot', 'match-max="1"')}`,
    ),
    ['single multiple', 'directedPair'],
  ],
  [
    'position object',
    `<qti-position-object-stage>${IMG}${block('position-object', IMG)}</qti-position-object-stage>`,
    ['single multiple', 'point'],
  ],
  [
    'slider',
    '<qti-slider-interaction response-identifier="R" lower-bound="0" upper-bound="10" step="1"/>',
    ['single', 'integer float'],
  ],
  ['drawing', block('drawing', IMG), ['single multiple ordered', 'file']],
  ['upload', block('upload', ''), ['single', 'file']],
  ['media', block('media', '<audio src="signal.wav"/>'), ['single', 'integer']],
  [
    'end attempt',
    '<p><qti-end-attempt-interaction response-identifier="R" title="Hint"/></p>',
    ['single', 'boolean'],
  ],
  ['equation', ours('equation', 'data-mode="value"'), ['single', 'string']],
  [
    'number line, points',
    ours('number-line', 'data-min="0" data-max="5" data-step="1" data-mode="points"'),
    ['single multiple', 'integer float'],
  ],
  [
    'number line, interval',
    ours('number-line', 'data-min="0" data-max="5" data-step="1" data-mode="interval"'),
    ['single', 'string'],
  ],
  ['coordinate plane', ours('coordinate-plane', 'data-tools="point"'), ['single multiple', 'string']],
  [
    'partition',
    ours('partition', 'data-shape="bar" data-parts-min="1" data-parts-max="6"'),
    ['ordered', 'boolean'],
  ],
  [
    'tally plot',
    ours('tally-plot', 'data-kind="marks" data-categories="a|b" data-max="5"'),
    ['ordered', 'integer float'],
  ],
  ['cell grid', ours('cell-grid', 'data-rows="2" data-cols="3"'), ['multiple', 'identifier']],
];

type Declared = readonly [cardinality: string, type: string];
const PAIRS = CARDINALITIES.flatMap((cardinality): Declared[] =>
  cardinality === 'record' ? [[cardinality, '']] : BASE_TYPES.map((type): Declared => [cardinality, type]),
);

test.each(TABLE)('%s', (_name, body, ...allowed) => {
  const taken = PAIRS.filter(([cardinality, type]) => {
    const { problems } = itemFrom(
      `<qti-response-declaration identifier="R" cardinality="${cardinality}" ${type === '' ? '' : `base-type="${type}"`}/><qti-item-body>${body}</qti-item-body>`,
    );
    const errors = problems.filter((one) => one.severity === 'error').map((one) => one.code);
    expect(errors.filter((code) => code !== 'wrong-binding')).toEqual([]);
    return errors.length === 0;
  });
  const wanted = PAIRS.filter(([cardinality, type]) =>
    allowed.some(
      ([cardinalities, types]) =>
        cardinalities.split(' ').includes(cardinality) && types.split(' ').includes(type),
    ),
  );
  expect(taken.map((one) => one.join(' ').trim())).toEqual(wanted.map((one) => one.join(' ').trim()));
});
