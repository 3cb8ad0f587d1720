import fc from 'fast-check';
import { contentText, interactionsOf } from '../content/content';
import { progressOfItem } from '../item/progress';
import type { RawResponse } from '../content/response';
import { itemFrom } from '../qti/testItem';
import { INTERACTIONS } from '.';
import { READERS } from './readers';
import { pressChoice, type ChoiceModel } from './choice';
import { gapBoard, type GapMatchModel } from './gap-match';
import { pressCell, type MatchModel } from './match';
import { ordersSome, shownOrder, type OrderModel } from './order';
import { copiesLeft, pairsOf, placementOf, putInto, takeOut, type Placement } from './placing';
import { pressOne } from './selecting';
import { moveTo } from './sequence';
import { sliderText } from './slider';

function read(declaration: string, body: string) {
  const { item, problems } = itemFrom(
    `<qti-response-declaration identifier="R" ${declaration}/><qti-item-body>${body}</qti-item-body>`,
  );
  const [model] = interactionsOf(item.body);
  if (!model) throw new Error('no interaction was read');
  return { item, problems, model };
}
const progress = (item: ReturnType<typeof read>['item'], response: RawResponse) => {
  const { state, parts } = progressOfItem(item, { R: response });
  return [state, parts[0]?.missing[0]?.code ?? null];
};

describe('choice', () => {
  const choices = 'ABCD'
    .split('')
    .map((id) => `<qti-simple-choice identifier="${id}">${id}</qti-simple-choice>`)
    .join('');
  const three = read(
    'cardinality="multiple" base-type="identifier"',
    `<qti-choice-interaction response-identifier="R" min-choices="3" max-choices="3">${choices}</qti-choice-interaction>`,
  );
  const model = three.model as ChoiceModel;
  test('one tick of three asked for is part done', () => {
    expect(progress(three.item, ['A'])).toEqual(['partial', 'choose']);
    expect(progress(three.item, ['A', 'B', 'C'])).toEqual(['complete', null]);
    expect(progress(three.item, null)).toEqual(['empty', 'choose']);
    expect(progress(three.item, ['A', 'B', 'C', 'D'])).toEqual(['partial', 'tooMany']);
    expect(progress(three.item, ['X'])).toEqual(['empty', 'choose']);
  });
  test('a fourth of three changes nothing and says so', () => {
    expect(pressChoice(model, ['A', 'B', 'C'], 'D', true)).toEqual({ kind: 'full', maximum: 3 });
    expect(pressChoice(model, ['A', 'B', 'C'], 'B', true)).toEqual({ kind: 'changed', response: ['A', 'C'] });
    expect(pressChoice(model, ['A'], 'A', true)).toEqual({ kind: 'changed', response: null });
  });
  test('one of several moves', () => {
    expect(pressChoice(model, 'A', 'B', false)).toEqual({ kind: 'changed', response: 'B' });
  });
});

describe('gap match', () => {
  const { item, model: anyModel } = read(
    'cardinality="multiple" base-type="directedPair"',
    `<qti-gap-match-interaction response-identifier="R">
       <qti-gap-text identifier="K" match-max="1">Kelp</qti-gap-text><qti-gap-text identifier="S" match-max="2">Sand</qti-gap-text><qti-gap-text identifier="L" match-max="1">Left over</qti-gap-text>
       <p><qti-gap identifier="G1"/> and <qti-gap identifier="G2"/> and <qti-gap identifier="G3"/></p>
     </qti-gap-match-interaction>`,
  );
  const board = gapBoard(anyModel as GapMatchModel);
  const put = (placement: Placement, piece: string, gap: string, from: string | null) =>
    putInto(board, placement, piece, gap, from);
  const at = (piece: string, place: string) => ({ piece, place });
  test('every gap wants something', () => {
    expect(progress(item, null)).toEqual(['empty', 'boxEmpty']);
    expect(progress(item, ['K G1'])).toEqual(['partial', 'boxEmpty']);
    expect(progress(item, ['K G1', 'S G2', 'S G3'])).toEqual(['complete', null]);
  });
  test('dropping on a filled gap swaps with where the piece came from', () => {
    const swapped = put([at('K', 'G1'), at('S', 'G2')], 'K', 'G2', 'G1');
    expect(swapped).toMatchObject({ kind: 'changed', displaced: 'S', displacedTo: 'G1' });
    expect(swapped.kind === 'changed' && pairsOf(board, swapped.placement)).toEqual(['S G1', 'K G2']);
    const fromList = put([at('S', 'G2')], 'K', 'G2', null);
    expect(fromList).toMatchObject({ kind: 'changed', displaced: 'S', displacedTo: null });
    expect(fromList.kind === 'changed' && pairsOf(board, fromList.placement)).toEqual(['K G2']);
  });
  test('limits say so and change nothing', () => {
    expect(put([at('K', 'G1')], 'K', 'G2', null)).toEqual({ kind: 'no-copy' });
    expect(putInto({ ...board, maximum: 1 }, [at('K', 'G1')], 'S', 'G2', null)).toEqual({
      kind: 'full',
      who: 'all',
      maximum: 1,
    });
    const bins = { ...board, places: [{ identifier: 'G1', capacity: 2 }] };
    expect(putInto(bins, [at('K', 'G1'), at('S', 'G1')], 'L', 'G1', null)).toEqual({
      kind: 'full',
      who: 'place',
      maximum: 2,
    });
    expect(put([at('K', 'G1')], 'K', 'G1', 'G1')).toEqual({ kind: 'same' });
  });
  test('no move makes a piece out of nothing, nor loses one', () => {
    const move = fc.record({
      piece: fc.constantFrom('K', 'S', 'L'),
      gap: fc.constantFrom('G1', 'G2', 'G3'),
      from: fc.constantFrom(null, 'G1', 'G2', 'G3'),
      out: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(move, { maxLength: 30 }), (moves) => {
        let placement: Placement = [];
        for (const { piece, gap, from, out } of moves) {
          const before = placement.length;
          const held = from === null ? piece : placement.find((one) => one.place === from)?.piece;
          if (out) placement = takeOut(placement, piece, gap);
          else if (held !== undefined) {
            const made = put(placement, held, gap, from);
            if (made.kind === 'changed') {
              placement = made.placement;
              expect(placement.length).toBe(before + (from === null && made.displaced === null ? 1 : 0));
            }
          }
          for (const one of board.pieces) {
            const used = placement.filter((placed) => placed.piece === one.identifier).length;
            expect(used).toBeLessThanOrEqual(one.matchMax);
            expect(copiesLeft(one, placement)).toBe(one.matchMax - used);
          }
          for (const { identifier } of board.places)
            expect(placement.filter((placed) => placed.place === identifier).length).toBeLessThanOrEqual(1);
          expect(pairsOf(board, placementOf(pairsOf(board, placement)))).toEqual(pairsOf(board, placement));
        }
      }),
    );
  });
});

describe('match as a grid', () => {
  const set = (ids: string[], max: number) =>
    `<qti-simple-match-set>${ids.map((id) => `<qti-simple-associable-choice identifier="${id}" match-max="${max}">${id}</qti-simple-associable-choice>`).join('')}</qti-simple-match-set>`;
  const { item, model: anyModel } = read(
    'cardinality="multiple" base-type="directedPair"',
    `<qti-match-interaction response-identifier="R" max-associations="0">${set(['r1', 'r2'], 1)}${set(['T', 'F'], 2)}</qti-match-interaction>`,
  );
  const model = anyModel as MatchModel;
  test('a grid wants every row', () => {
    expect(progress(item, ['r1 T'])).toEqual(['partial', 'rowsEmpty']);
    expect(progress(item, ['r1 T', 'r2 F'])).toEqual(['complete', null]);
  });
  test('a row of one moves its mark; a full column says so', () => {
    expect(pressCell(model, ['r1 T'], 'r1', 'F')).toEqual({ kind: 'changed', response: ['r1 F'] });
    const tight: MatchModel = { ...model, columns: model.columns.map((one) => ({ ...one, matchMax: 1 })) };
    expect(pressCell(tight, ['r1 T'], 'r2', 'T')).toEqual({ kind: 'full', who: 'column', maximum: 1 });
  });
});

describe('written answers', () => {
  const entry = (type: string, attributes = '') =>
    read(
      `cardinality="single" base-type="${type}"`,
      `<p><qti-text-entry-interaction response-identifier="R" ${attributes}/></p>`,
    ).item;
  test('a numeric box keeps text that is no number, and stays part done', () => {
    expect(progress(entry('float'), '3.5')).toEqual(['complete', null]);
    expect(progress(entry('float'), 'three')).toEqual(['partial', 'notANumber']);
    expect(progress(entry('integer'), '3.5')).toEqual(['partial', 'notAWholeNumber']);
    expect(progress(entry('string', 'pattern-mask="[a-z]+"'), 'Kelp')).toEqual(['partial', 'otherForm']);
    expect(progress(entry('string'), '   ')).toEqual(['empty', 'boxEmpty']);
  });
  const maths = (mode: string) =>
    read(
      'cardinality="single" base-type="string"',
      `<qti-portable-custom-interaction response-identifier="R" custom-interaction-type-identifier="urn:able-compass:equation" data-mode="${mode}"/>`,
    ).item;
  test('unfinished boxes count as unfinished', () => {
    expect(progress(maths('value'), '\\frac{3}{4}')).toEqual(['complete', null]);
    expect(progress(maths('value'), '\\frac{3}{\\placeholder{}}')).toEqual(['partial', 'mathBoxes']);
    expect(progress(maths('value'), 'x+1')).toEqual(['partial', 'notANumber']);
    expect(progress(maths('expression'), '(x+1')).toEqual(['partial', 'mathUnreadable']);
    expect(progress(maths('equation'), 'x+1')).toEqual(['partial', 'needsEquals']);
    expect(progress(maths('inequality'), 'x>1')).toEqual(['complete', null]);
  });
});

describe('order, hottext, slider', () => {
  const order = read(
    'cardinality="ordered" base-type="identifier"',
    `<qti-order-interaction response-identifier="R">${'ABC'
      .split('')
      .map((one) => `<qti-simple-choice identifier="${one}">${one}</qti-simple-choice>`)
      .join('')}</qti-order-interaction>`,
  );
  test('an order counts once the student has set it', () => {
    expect(progress(order.item, null)).toEqual(['empty', 'notSet']);
    expect(progress(order.item, ['B', 'A'])).toEqual(['partial', 'ordered']);
    expect(ordersSome(order.model as OrderModel)).toBe(false);
    expect(progress(order.item, ['B', 'A', 'C'])).toEqual(['complete', null]);
  });
  test('moving keeps every line, whatever the places', () => {
    const model = order.model as OrderModel;
    expect(shownOrder(model, ['C'])).toEqual(['C', 'A', 'B']);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom('A', 'B', 'C'), fc.integer({ min: -2, max: 5 })), {
          maxLength: 20,
        }),
        (moves) => {
          const moved = moves.reduce<string[]>(
            (list, [one, place]) => moveTo(list, one, place),
            ['A', 'B', 'C'],
          );
          expect([...moved].sort()).toEqual(['A', 'B', 'C']);
        },
      ),
    );
  });
  const hot = read(
    'cardinality="multiple" base-type="identifier"',
    '<qti-hottext-interaction response-identifier="R" max-choices="2"><p><qti-hottext identifier="A">a</qti-hottext> <qti-hottext identifier="B">b</qti-hottext> <qti-hottext identifier="C">c</qti-hottext></p></qti-hottext-interaction>',
  );
  test('hottext: two asked for, a third says so, order of the text', () => {
    const order = ['A', 'B', 'C'];
    expect(progress(hot.item, ['A'])).toEqual(['partial', 'choose']);
    expect(pressOne(order, 2, ['B'], 'A', true)).toEqual({ kind: 'changed', response: ['A', 'B'] });
    expect(pressOne(order, 2, ['A', 'B'], 'C', true)).toEqual({ kind: 'full', maximum: 2 });
    expect(pressOne(order, 2, ['A'], 'A', true)).toEqual({ kind: 'changed', response: null });
    expect(pressOne(order, 1, ['A'], 'B', true)).toEqual({ kind: 'changed', response: ['B'] });
    expect(pressOne(order, 1, 'A', 'B', false)).toEqual({ kind: 'changed', response: 'B' });
  });
  const slide = read(
    'cardinality="single" base-type="float"',
    '<qti-slider-interaction response-identifier="R" lower-bound="0" upper-bound="1" step="0.1"/>',
  );
  test('a slider counts once it is set, inside its bounds', () => {
    expect(progress(slide.item, null)).toEqual(['empty', 'notSet']);
    expect(progress(slide.item, '0.3')).toEqual(['complete', null]);
    expect(progress(slide.item, '7')).toEqual(['partial', 'notANumber']);
    expect(sliderText(0.1 + 0.2)).toBe('0.3');
  });
});

test('parts are told by their headings, and what is missing is said part by part', () => {
  const { item } = itemFrom(
    `<qti-response-declaration identifier="A1" cardinality="single" base-type="identifier"/><qti-response-declaration identifier="B1" cardinality="single" base-type="string"/>
     <qti-item-body><h3>Part A</h3><qti-choice-interaction response-identifier="A1" max-choices="1"><qti-simple-choice identifier="X">x</qti-simple-choice></qti-choice-interaction>
     <h3>Part B</h3><p><qti-text-entry-interaction response-identifier="B1"/></p></qti-item-body>`,
  );
  const { state, parts } = progressOfItem(item, { A1: 'X' });
  expect(state).toBe('partial');
  expect(parts.map(({ label, state: own }) => [label, own])).toEqual([
    ['A', 'complete'],
    ['B', 'empty'],
  ]);
});

test('a line or a prompt names a part as a heading does, when it does no more', () => {
  const two = (first: string, second: string) =>
    progressOfItem(
      itemFrom(
        `<qti-response-declaration identifier="A1" cardinality="single" base-type="identifier"/><qti-response-declaration identifier="B1" cardinality="single" base-type="string"/>
         <qti-item-body>${first.replace('*', '<qti-simple-choice identifier="X">x</qti-simple-choice></qti-choice-interaction>')}${second}<p><qti-text-entry-interaction response-identifier="B1"/></p></qti-item-body>`,
      ).item,
      {},
    ).parts.map(({ label }) => label);
  const choice = '<qti-choice-interaction response-identifier="A1" max-choices="1">';
  expect(two(`${choice}<qti-prompt>Part A: choose.</qti-prompt>*`, '<p>Part B</p>')).toEqual(['A', 'B']);
  expect(two(`<p>Part A.</p>${choice}<qti-prompt>Part A – choose.</qti-prompt>*`, '<h4>Part B</h4>')).toEqual(
    ['A', 'B'],
  );
  expect(two(`<p>Part 2 of the way is steep.</p>${choice}*`, '')).toEqual(['1', '2']);
});

test('a hint for the candidate is read in its place, one for scorers is not there', () => {
  const { item } = itemFrom(
    `<qti-item-body><p>Before.</p><qti-rubric-block view="candidate" use="instructions"><qti-content-body><p>Use the map.</p></qti-content-body></qti-rubric-block><qti-rubric-block view="scorer"><p>Two points.</p></qti-rubric-block></qti-item-body>`,
  );
  expect(contentText(item.body)).toBe('Before.Use the map.');
  expect(item.rubrics.map(({ views }) => views)).toEqual([['scorer']]);
});

test('as many rows as can be filled are said to be empty, or the pairs that are asked for', () => {
  const matchOf = (attributes: string) =>
    read(
      'cardinality="multiple" base-type="directedPair"',
      `<qti-match-interaction response-identifier="R" ${attributes}><qti-simple-match-set>${['A', 'B', 'C', 'D'].map((id) => `<qti-simple-associable-choice identifier="${id}" match-max="1">${id}</qti-simple-associable-choice>`).join('')}</qti-simple-match-set><qti-simple-match-set>${['X', 'Y', 'Z'].map((id) => `<qti-simple-associable-choice identifier="${id}" match-max="1">${id}</qti-simple-associable-choice>`).join('')}</qti-simple-match-set></qti-match-interaction>`,
    ).item;
  const missing = (attributes: string, response: RawResponse) =>
    progressOfItem(matchOf(attributes), { R: response }).parts[0]?.missing[0];
  expect(missing('max-associations="0"', null)).toEqual({ code: 'rowsEmpty', values: { count: 3 } });
  expect(missing('max-associations="0"', ['A X'])).toEqual({ code: 'rowsEmpty', values: { count: 2 } });
  expect(missing('max-associations="0" min-associations="2"', ['A X'])).toEqual({
    code: 'pairs',
    values: { made: 1, wanted: 2 },
  });
});

test('every interaction has its own element and type', () => {
  expect(new Set(READERS.map((one) => one.element)).size).toBe(INTERACTIONS.length);
  expect(READERS.map((one) => one.kind)).toEqual(INTERACTIONS);
  expect(new Set(INTERACTIONS.map((one) => one.type)).size).toBe(INTERACTIONS.length);
});
