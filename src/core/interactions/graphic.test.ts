import fc from 'fast-check';
import { interactionsOf } from '../content/content';
import { progressOfItem } from '../item/progress';
import type { RawResponse } from '../content/response';
import { itemFrom } from '../qti/testItem';
import { boxOf } from './hotspots';
import { join, joinedPairs, pairTexts, part, uses, type Pair } from './joining';
import { addPoint, pointsOf, pointTexts } from './pointing';

const IMG = '<img src="map.svg" alt="map" width="100" height="80"/>';
const spots = (tag: string, more = '') =>
  ['A', 'B', 'C']
    .map(
      (id, i) =>
        `<${tag} identifier="${id}" shape="circle" coords="${20 + i * 20},20,8" hotspot-label="${id}" ${more}/>`,
    )
    .join('');

function read(declaration: string, body: string) {
  const { item, problems } = itemFrom(
    `<qti-response-declaration identifier="R" ${declaration}/><qti-item-body>${body}</qti-item-body>`,
  );
  return { item, problems, model: interactionsOf(item.body)[0] };
}
const progress = (item: ReturnType<typeof read>['item'], response: RawResponse) => {
  const { state, parts } = progressOfItem(item, { R: response });
  return [state, parts[0]?.missing[0]?.code ?? null];
};
const MULTIPLE_ID = 'cardinality="multiple" base-type="identifier"';
const PAIRS = 'cardinality="multiple" base-type="pair"';
const POINTS = 'cardinality="multiple" base-type="point"';

describe('hotspot', () => {
  const { item, problems } = read(
    MULTIPLE_ID,
    `<qti-hotspot-interaction response-identifier="R" min-choices="2" max-choices="2">${IMG}${spots('qti-hotspot-choice')}</qti-hotspot-interaction>`,
  );
  test('two asked for', () => {
    expect(problems).toEqual([]);
    expect(progress(item, null)).toEqual(['empty', 'choose']);
    expect(progress(item, ['A'])).toEqual(['partial', 'choose']);
    expect(progress(item, ['A', 'B'])).toEqual(['complete', null]);
    expect(progress(item, ['A', 'B', 'C'])).toEqual(['partial', 'tooMany']);
  });
  test.each([
    ['<qti-hotspot-choice identifier="A" shape="circle" coords="1,2"/>', 'hotspot-shape'],
    ['<qti-hotspot-choice identifier="A" shape="star" coords="1,2,3"/>', 'hotspot-shape'],
    ['', 'no-choices'],
  ])('what cannot be drawn is refused: %s', (choice, code) => {
    const { problems: found } = read(
      MULTIPLE_ID,
      `<qti-hotspot-interaction response-identifier="R">${IMG}${choice}</qti-hotspot-interaction>`,
    );
    expect(found.map((one) => one.code)).toContain(code);
  });
  test('a picture missing is refused; an object is a picture too', () => {
    const without = read(
      MULTIPLE_ID,
      `<qti-hotspot-interaction response-identifier="R">${spots('qti-hotspot-choice')}</qti-hotspot-interaction>`,
    );
    expect(without.problems.map((one) => one.code)).toEqual(['no-picture']);
    const object = read(
      MULTIPLE_ID,
      `<qti-hotspot-interaction response-identifier="R"><object type="image/png" data="a.png" width="100" height="80">A map</object>${spots('qti-hotspot-choice')}</qti-hotspot-interaction>`,
    );
    expect(object.problems).toEqual([]);
    expect(object.model).toMatchObject({
      picture: { src: 'a.png', alt: 'A map', width: 100, height: 80 },
    });
  });
  test.each([
    ['circle', [20, 20, 8], [12, 12, 28, 28]],
    ['rect', [30, 40, 10, 5], [10, 5, 30, 40]],
    ['ellipse', [50, 40, 20, 10], [30, 30, 70, 50]],
    ['poly', [0, 0, 10, 5, 4, 20], [0, 0, 10, 20]],
    ['default', [], [0, 0, 100, 80]],
  ] as const)('the box around a %s', (shape, coords, box) => {
    expect(boxOf({ shape, coords }, 100, 80)).toEqual(box);
  });
});

describe('pairs', () => {
  const { item } = read(
    PAIRS,
    `<qti-graphic-associate-interaction response-identifier="R" max-associations="2">${IMG}${spots('qti-associable-hotspot', 'match-max="2"')}</qti-graphic-associate-interaction>`,
  );
  const choices = ['A', 'B', 'C', 'D']
    .map(
      (id) =>
        `<qti-simple-associable-choice identifier="${id}" match-max="1">${id}</qti-simple-associable-choice>`,
    )
    .join('');
  test('as many as asked for', () => {
    expect(progress(item, null)).toEqual(['empty', 'pairs']);
    expect(progress(item, ['A B'])).toEqual(['partial', 'pairs']);
    expect(progress(item, ['A B', 'B C'])).toEqual(['complete', null]);
  });
  test('one pair unless the package asks for more (QTI 3.0, max-associations: default 1)', () => {
    const one = read(
      PAIRS,
      `<qti-associate-interaction response-identifier="R">${choices}</qti-associate-interaction>`,
    );
    expect(progress(one.item, ['A B'])).toEqual(['complete', null]);
    expect(progress(one.item, ['A B', 'C D'])).toEqual(['partial', 'tooMany']);
  });
  test('no more than can be made is asked for', () => {
    const many = read(
      PAIRS,
      `<qti-associate-interaction response-identifier="R" max-associations="5">${choices}</qti-associate-interaction>`,
    );
    expect(progress(many.item, ['A B', 'C D'])).toEqual(['complete', null]);
  });
  test('limits hold whatever is pressed, and parting brings back', () => {
    const offers = ['A', 'B', 'C'].map((identifier) => ({ identifier, matchMax: 2, matchMin: 0 }));
    const name = fc.constantFrom('A', 'B', 'C');
    fc.assert(
      fc.property(fc.array(fc.tuple(name, name, fc.boolean()), { maxLength: 20 }), (moves) => {
        let pairs: readonly Pair[] = [];
        for (const [a, b, out] of moves) {
          if (out) {
            pairs = part(pairs, a, b);
            continue;
          }
          const move = join(offers, 2, pairs, a, b);
          if (move.kind === 'changed') pairs = move.pairs;
          expect(pairs.length).toBeLessThanOrEqual(2);
          for (const { identifier } of offers) expect(uses(pairs, identifier)).toBeLessThanOrEqual(2);
          expect(joinedPairs(pairTexts(pairs))).toEqual(pairs);
        }
      }),
    );
    expect(join(offers, 2, [['A', 'B']], 'B', 'A')).toEqual({ kind: 'same' });
    expect(join(offers, 2, [['A', 'A']], 'A', 'B')).toEqual({ kind: 'full', who: 'A', maximum: 2 });
  });
});

describe('points', () => {
  const body = (attributes: string) =>
    `<qti-select-point-interaction response-identifier="R" ${attributes}>${IMG}</qti-select-point-interaction>`;
  test('as many as asked for; a single point is one', () => {
    const two = read(POINTS, body('min-choices="2" max-choices="2"'));
    expect(progress(two.item, ['1 2'])).toEqual(['partial', 'pointsSet']);
    expect(progress(two.item, ['1 2', '3 4'])).toEqual(['complete', null]);
    const one = read('cardinality="single" base-type="point"', body(''));
    expect(progress(one.item, '1 2')).toEqual(['complete', null]);
    expect(progress(one.item, 'here')).toEqual(['empty', 'nothingPlaced']);
  });
  test('one over the maximum says so; where one is wanted it moves', () => {
    const at = { x: 1, y: 2 };
    expect(addPoint([at], { x: 3, y: 4 }, 1)).toEqual({ kind: 'changed', points: [{ x: 3, y: 4 }] });
    expect(addPoint([at, at], at, 2)).toEqual({ kind: 'full', maximum: 2 });
  });
  test('points are whole pixels, as the standard writes them', () => {
    expect(pointTexts([{ x: 1.4, y: 2.6 }], true)).toEqual(['1 3']);
    expect(pointTexts([{ x: 1, y: 2 }], false)).toBe('1 2');
    expect(pointTexts([], true)).toBeNull();
    expect(pointsOf(['1 3', 'x y', '4 5 6'])).toEqual([{ x: 1, y: 3 }]);
  });
  test('an object has its stage', () => {
    const object = '<img src="buoy.svg" alt="buoy" width="20" height="20"/>';
    const inside = `<qti-position-object-interaction response-identifier="R" max-choices="2" center-point="4 18">${object}</qti-position-object-interaction>`;
    const staged = read(POINTS, `<qti-position-object-stage>${IMG}${inside}</qti-position-object-stage>`);
    expect(staged.problems).toEqual([]);
    expect(staged.model).toMatchObject({
      type: 'position-object',
      stage: { src: 'map.svg' },
      object: { src: 'buoy.svg' },
      centre: { x: 4, y: 18 },
    });
    expect(read(POINTS, inside).problems.map((one) => one.code)).toContain('no-stage');
  });
  test('several objects share a stage: one drawing, an answer each, one part of the question', () => {
    const { item, problems } = itemFrom(
      `<qti-response-declaration identifier="R" ${POINTS}/><qti-response-declaration identifier="BOAT" cardinality="single" base-type="point"/>
       <qti-item-body><qti-position-object-stage>${IMG}
         <qti-position-object-interaction response-identifier="R" max-choices="2" min-choices="2"><img src="buoy.svg" alt="buoy"/></qti-position-object-interaction>
         <qti-position-object-interaction response-identifier="BOAT"><img src="boat.svg" alt="boat"/></qti-position-object-interaction>
       </qti-position-object-stage></qti-item-body>`,
    );
    expect(problems).toEqual([]);
    expect(item.body.map((node) => node.kind)).toEqual(['interaction']);
    expect(interactionsOf(item.body).map((one) => one.responseIdentifier)).toEqual(['R', 'BOAT']);
    const state = (responses: Record<string, string | string[]>) => {
      const { state: whole, parts } = progressOfItem(item, responses);
      return [whole, parts.length];
    };
    expect(state({ R: ['1 2', '3 4'], BOAT: '5 6' })).toEqual(['complete', 1]);
    expect(state({ R: ['1 2', '3 4'] })).toEqual(['partial', 1]);
    expect(state({})).toEqual(['empty', 1]);
    // Nothing set of either is said once.
    expect(progressOfItem(item, {}).parts[0]?.missing).toHaveLength(1);
    const bare = read(POINTS, `<qti-position-object-stage>${IMG}</qti-position-object-stage>`);
    expect(bare.problems.map((one) => one.code)).toEqual(['no-object']);
  });
});

describe('graphic order and graphic gap match', () => {
  test('all places are to be ordered unless the package asks for some', () => {
    const body = (attributes: string) =>
      read(
        'cardinality="ordered" base-type="identifier"',
        `<qti-graphic-order-interaction response-identifier="R" ${attributes}>${IMG}${spots('qti-hotspot-choice')}</qti-graphic-order-interaction>`,
      ).item;
    expect(progress(body(''), ['A', 'B'])).toEqual(['partial', 'ordered']);
    expect(progress(body(''), ['A', 'B', 'C'])).toEqual(['complete', null]);
    expect(progress(body('min-choices="2" max-choices="2"'), ['A', 'B'])).toEqual(['complete', null]);
    expect(progress(body('max-choices="2"'), ['A', 'B', 'C'])).toEqual(['partial', 'tooMany']);
  });
  const gaps = (attributes: string, spot: string) =>
    read(
      'cardinality="multiple" base-type="directedPair"',
      `<qti-graphic-gap-match-interaction response-identifier="R" ${attributes}>${IMG}<qti-gap-text identifier="X" match-max="2">x</qti-gap-text><qti-gap-img identifier="Y" match-max="1"><img src="y.svg" alt="y"/></qti-gap-img>${spots('qti-associable-hotspot', spot)}</qti-graphic-gap-match-interaction>`,
    ).item;
  test('every place wants a piece, as far as there are pieces', () => {
    expect(progress(gaps('', ''), ['X A'])).toEqual(['partial', 'boxEmpty']);
    expect(progress(gaps('', ''), ['X A', 'X B', 'Y C'])).toEqual(['complete', null]);
    expect(progress(gaps('max-associations="2"', ''), ['X A', 'Y B'])).toEqual(['complete', null]);
    expect(progress(gaps('min-associations="1"', ''), ['X A'])).toEqual(['complete', null]);
  });
});
