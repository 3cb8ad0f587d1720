import fc from 'fast-check';
import { interactionsOf } from '../content/content';
import { progressOfItem } from '../item/progress';
import { responseProblem } from '../item/responseProblem';
import { scoreItem } from '../processing/score';
import type { RawResponse } from '../content/response';
import * as q from '../math/rational';
import { itemFrom } from '../qti/testItem';
import { cellsBetween, cellsOn, switchCells, type CellGridModel } from './cell-grid';
import {
  begin,
  begunOf,
  draw,
  figuresOf,
  redraw,
  snapPoint,
  type CoordinatePlaneModel,
} from './coordinate-plane';
import {
  figureText,
  isFigure,
  moveHandle,
  otherSide,
  readFigure,
  sideOfLine,
  type Figure,
} from './coordinate-plane/figures';
import { workLatex, workLines, type WorkLine } from './equation/work';
import { plot, pointsOn, pointsResponse, readOnLine, stepPoint, type NumberLineModel } from './number-line';
import {
  isEmptySpan,
  moveEnd,
  spansOf,
  spansResponse,
  spanText,
  startOf,
  toggleEnd,
} from './number-line/spans';
import { fractionLabel, nearestTick, shownLabels, stepFrom, ticksOf } from './number-line/ticks';
import { gridOf, resplit, shadingOf, type PartitionModel } from './partition';
import { exactOf, quantityText } from './quantity';
import { moveCounter, onStep, setValue, valuesOf, type TallyPlotModel } from './tally-plot';

function read(name: string, declaration: string, attributes: string) {
  const { item, problems } = itemFrom(
    `<qti-response-declaration identifier="R" ${declaration}/><qti-item-body><qti-portable-custom-interaction response-identifier="R" custom-interaction-type-identifier="urn:able-compass:${name}" ${attributes}/></qti-item-body>`,
  );
  return { item, problems, model: interactionsOf(item.body)[0] };
}
const progress = (item: ReturnType<typeof read>['item'], response: RawResponse) => {
  const { state, parts } = progressOfItem(item, { R: response });
  return [state, parts[0]?.missing[0]?.code ?? null];
};
const FLOATS = 'cardinality="multiple" base-type="float"';
const STRING = 'cardinality="single" base-type="string"';
const STRINGS = 'cardinality="multiple" base-type="string"';

describe('number line', () => {
  const two = read(
    'number-line',
    FLOATS,
    'data-min="-2" data-max="2" data-step="1" data-minor="4" data-max-points="2"',
  );
  const model = two.model as NumberLineModel;
  test('ticks are exact, however many there are', () => {
    const ticks = ticksOf(model.scale);
    expect(ticks).toHaveLength(17);
    expect(ticks.filter((tick) => tick.major).map((tick) => tick.label)).toEqual(['−2', '−1', '0', '1', '2']);
    const tenths = ticksOf({ min: '0', max: '30', step: '0.1', minor: 1, labels: 'decimal' });
    expect(tenths[3]?.label).toBe('0.3');
    expect(tenths.at(-1)?.label).toBe('30');
    const thirds = ticksOf({ min: '0', max: '2', step: '1/3', minor: 1, labels: 'fraction' });
    expect(thirds.map((tick) => tick.label)).toEqual(['0', '1/3', '2/3', '1', '1 1/3', '1 2/3', '2']);
  });
  test('labels never touch', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 1200 }), fc.integer({ min: 2, max: 120 }), (width, steps) => {
        const ticks = ticksOf({ min: '0', max: String(steps), step: '1', minor: 1, labels: 'decimal' });
        const widthOf = (label: string) => label.length * 9;
        const shown = [...shownLabels(ticks, width, widthOf)];
        expect(shown.length).toBeGreaterThan(0);
        shown.forEach((tick, i) => {
          const next = shown[i + 1];
          if (!next) return;
          const between = (next.at - tick.at) * width;
          expect(between).toBeGreaterThanOrEqual((widthOf(tick.label) + widthOf(next.label)) / 2);
        });
      }),
    );
  });
  test('as many points as asked for; a third of two says so', () => {
    expect(progress(two.item, null)).toEqual(['empty', 'noPoint']);
    expect(progress(two.item, ['-1.5'])).toEqual(['partial', 'points']);
    expect(progress(two.item, ['-1.5', '0.75'])).toEqual(['complete', null]);
    expect(progress(two.item, ['here'])).toEqual(['partial', 'notANumber']);
    expect(plot(model, ['0'], q.ONE)).toEqual({ kind: 'changed', response: ['0', '1'] });
    expect(plot(model, ['0', '1'], q.rational(2))).toEqual({ kind: 'full', maximum: 2 });
    expect(plot(model, ['0'], q.ZERO)).toEqual({ kind: 'same' });
  });
  test('a float that stands for a third is the third', () => {
    const thirds = read('number-line', FLOATS, 'data-min="0" data-max="2" data-step="1/3"')
      .model as NumberLineModel;
    expect(pointsOn(thirds, ['0.3333333333333333'])).toEqual([q.rational(1, 3)]);
  });
  test('steps go from tick to tick, also from between', () => {
    const ticks = ticksOf(model.scale);
    expect(q.toNumber(stepFrom(ticks, q.rational(1, 8), 1))).toBe(0.25);
    expect(q.toNumber(stepFrom(ticks, q.rational(1, 8), -1))).toBe(0);
    expect(q.toNumber(stepFrom(ticks, q.rational(2), 1))).toBe(2);
    expect(q.toNumber(nearestTick(ticks, 0.51)?.value ?? q.ZERO)).toBe(0);
  });
  test('points keep their places in the answer when one passes another; a step goes over what is in its way', () => {
    const points = [q.rational(1, 4), q.rational(1, 2)];
    const beyond = stepPoint(model, points, 0, 1);
    expect(beyond).toEqual(q.rational(3, 4));
    expect(pointsResponse([beyond, q.rational(1, 2)])).toEqual(['0.75', '0.5']);
    expect(stepPoint(model, [q.rational(7, 4), q.rational(2)], 0, 1)).toEqual(q.rational(7, 4));
    expect(stepPoint(model, points, 1, -1)).toEqual(q.ZERO);
  });
  test('a typed value is one of the line, or it is said why not', () => {
    expect(readOnLine(model.scale, '-1 1/2')).toEqual(q.rational(-3, 2));
    expect(readOnLine(model.scale, '2.5')).toBe('outside');
    expect(readOnLine(model.scale, 'two')).toBe('not-a-number');
  });
  test('the start of a part is kept until its end is set, and is not scored', () => {
    const line = read('number-line', STRING, 'data-min="0" data-max="20" data-mode="interval"').item;
    const begun = spansResponse(spansOf('(2,5]'), q.rational(25, 2));
    expect(begun).toBe('(2,5] UNFINISHED(12.5)');
    expect([startOf(begun), spansResponse(spansOf(begun))]).toEqual([q.rational(25, 2), '(2,5]']);
    expect(startOf(spansResponse([], q.rational(12)))).toEqual(q.rational(12));
    for (const answer of [begun, 'UNFINISHED(12)']) {
      expect(progress(line, answer)).toEqual(['partial', 'intervalOpen']);
      expect(responseProblem(line, 'R', answer)).toBeNull();
    }
    for (const bad of ['UNFINISHED(21)', 'UNFINISHED(x)', 'UNFINISHED(1) UNFINISHED(2)'])
      expect(responseProblem(line, 'R', bad)).toBe('impossible');
    expect(scoreItem(line, { R: begun }).responses.get('R')).toEqual(
      scoreItem(line, { R: '(2,5]' }).responses.get('R'),
    );
    expect(scoreItem(line, { R: 'UNFINISHED(12)' }).responses.get('R')).toEqual(
      scoreItem(line, {}).responses.get('R'),
    );
  });
  test('intervals are written as drawn and read back', () => {
    const answer = '(-inf,2)U[5,7]';
    expect(spansResponse(spansOf(answer))).toBe(answer);
    const [ray, piece] = spansOf(answer);
    if (!ray || !piece) throw new Error('not read');
    expect(spanText(toggleEnd(ray, 'to'))).toBe('(-inf,2]');
    expect(spanText(toggleEnd(ray, 'from'))).toBe('(-inf,2)');
    expect(spanText(moveEnd(piece, 'from', q.rational(9), q.compare))).toBe('[7,9]');
    expect(spanText(moveEnd(piece, 'to', null, q.compare))).toBe('[5,inf)');
    expect(isEmptySpan(moveEnd(toggleEnd(piece, 'to'), 'to', q.rational(5), q.compare), q.compare)).toBe(
      true,
    );
    const line = read('number-line', STRING, 'data-mode="interval"').item;
    expect(progress(line, answer)).toEqual(['complete', null]);
    expect(progress(line, '2 to 5')).toEqual(['partial', 'notReadable']);
  });
  test('bad properties and bindings are refused', () => {
    const codes = (declaration: string, attributes: string) =>
      read('number-line', declaration, attributes).problems.map((one) => one.code);
    expect(codes(FLOATS, 'data-min="5" data-max="1"')).toContain('property');
    expect(codes(FLOATS, 'data-step="0.0001"')).toContain('property');
    expect(codes(FLOATS, 'data-step="none"')).toContain('property');
    expect(codes(STRING, '')).toContain('wrong-binding');
    expect(codes(FLOATS, 'data-mode="interval"')).toContain('wrong-binding');
  });
});

test('plain numbers are exact, and nothing else is one', () => {
  const table: [string, q.Rational | null][] = [
    ['0.5', q.rational(1, 2)],
    ['.5', q.rational(1, 2)],
    ['2.', q.rational(2)],
    ['+3', q.rational(3)],
    ['-1 1/2', q.rational(-3, 2)],
    ['\\frac{1}{3}', q.rational(1, 3)],
    ['2\\frac{1}{3}', q.rational(7, 3)],
    ['1/0', null],
    ['1e5', null],
    ['1+1', null],
    ['', null],
    ['-', null],
    ['1,5', null],
  ];
  for (const [text, wanted] of table) expect([text, exactOf(text)]).toEqual([text, wanted]);
});

test('quantities keep their exact text', () => {
  const table: [string, string][] = [
    ['0.25', '0.25'],
    ['1/3', '1/3'],
    ['-3/2', '-1.5'],
    ['2', '2'],
    ['1/7', '1/7'],
    ['-0.05', '-0.05'],
  ];
  for (const [given, wanted] of table) {
    const value = exactOf(given);
    expect(value && quantityText(value)).toBe(wanted);
  }
  expect(exactOf('\u22122')).toEqual(q.rational(-2));
  expect(exactOf('two')).toBeNull();
  expect(fractionLabel(q.rational(-5, 3))).toBe('-1 2/3');
});

describe('coordinate plane', () => {
  const { item, model: anyModel } = read(
    'coordinate-plane',
    STRINGS,
    'data-x-min="-5" data-x-max="5" data-y-min="0" data-y-max="60" data-y-step="10" data-tools="point line polygon halfplane" data-max-objects="2"',
  );
  const model = anyModel as CoordinatePlaneModel;
  const texts = [
    'POINT(2 3)',
    'SEGMENT(0 0,3 4)',
    'LINE(0 1,2 5)',
    'RAY(0 0,1 1)',
    'POLYGON(0 0,4 0,4 3)',
    'HALFPLANE(0 1,2 5;0 0;open)',
  ];
  test.each(texts)('%s is written as it was read', (text) => {
    const figure = readFigure(text);
    expect(figure && figureText(figure)).toBe(text);
  });
  test('what is no figure is not drawn', () => {
    for (const text of ['POINT(2)', 'LINE(0 0)', 'POLYGON(0 0,1 1)', 'CIRCLE(0 0)', 'HALFPLANE(0 1,2 5)', ''])
      expect(readFigure(text)).toBeNull();
    expect(
      isFigure({
        tool: 'line',
        points: [
          { x: 1, y: 1 },
          { x: 1, y: 1 },
        ],
      }),
    ).toBe(false);
  });
  test('handles snap to the grid of each axis and stay on it', () => {
    expect(snapPoint(model, { x: 1.4, y: 17 })).toEqual({ x: 1, y: 20 });
    expect(snapPoint(model, { x: 99, y: -4 })).toEqual({ x: 5, y: 0 });
    expect(snapPoint({ ...model, snap: { x: 0, y: 0.5 } }, { x: 1.234, y: 1.2 })).toEqual({ x: 1.234, y: 1 });
  });
  test('a figure over the maximum says so', () => {
    const point: Figure = { tool: 'point', points: [{ x: 0, y: 0 }] };
    expect(draw(model, ['POINT(1 1)'], point)).toEqual({
      kind: 'changed',
      response: ['POINT(1 1)', 'POINT(0 0)'],
    });
    expect(draw(model, ['POINT(1 1)', 'POINT(2 2)'], point)).toEqual({ kind: 'full', maximum: 2 });
    expect(redraw(['POINT(1 1)', 'POINT(2 2)'], 0, null)).toEqual({
      kind: 'changed',
      response: ['POINT(2 2)'],
    });
    expect(progress(item, ['POINT(1 1)'])).toEqual(['partial', 'drawn']);
    expect(progress(item, ['POINT(1 1)', 'POINT(2 2)'])).toEqual(['complete', null]);
    expect(progress(item, ['HELLO'])).toEqual(['partial', 'notReadable']);
    expect(progress(item, null)).toEqual(['empty', 'nothingDrawn']);
  });
  test('a figure being drawn is kept beside the finished ones, and is not scored', () => {
    const polygon = {
      tool: 'polygon',
      points: [
        { x: 0, y: 0 },
        { x: 4, y: 0 },
      ],
    } as const;
    const moved = begin(model, ['POINT(1 1)'], polygon);
    const answer = ['POINT(1 1) UNFINISHED(polygon 0 0,4 0)'];
    expect(moved).toEqual({ kind: 'changed', response: answer });
    expect(begunOf(answer)).toEqual(polygon);
    expect(figuresOf(answer).map(figureText)).toEqual(['POINT(1 1)']);
    expect(progress(item, answer)).toEqual(['partial', 'shapeOpen']);
    expect(progress(item, ['UNFINISHED(halfplane 0 0,4 0)'])).toEqual(['partial', 'halfplaneOpen']);
    expect(progress(item, ['UNFINISHED(line 0 0)'])).toEqual(['partial', 'figureOpen']);
    expect(redraw(answer, 0, null)).toEqual({ kind: 'changed', response: ['UNFINISHED(polygon 0 0,4 0)'] });
    expect(begin(model, ['UNFINISHED(line 0 0)'], null)).toEqual({ kind: 'changed', response: null });
    expect(draw(model, answer, { tool: 'point', points: [{ x: 2, y: 2 }] })).toEqual({
      kind: 'changed',
      response: ['POINT(1 1)', 'POINT(2 2)'],
    });
    expect(begin(model, ['POINT(1 1)', 'POINT(2 2)'], polygon)).toEqual({ kind: 'full', maximum: 2 });
    expect(scoreItem(item, { R: answer }).responses).toEqual(
      scoreItem(item, { R: ['POINT(1 1)'] }).responses,
    );
    expect(scoreItem(item, { R: ['UNFINISHED(line 0 0)'] }).responses).toEqual(scoreItem(item, {}).responses);
  });
  test('what could not be begun is refused', () => {
    const problem = (text: string) => responseProblem(item, 'R', [text]);
    expect(problem('UNFINISHED(polygon 0 0,4 0,4 3)')).toBeNull();
    for (const bad of [
      'ray 0 0',
      'point 0 0',
      'line 0 0,1 1',
      'polygon 0 0,0 0',
      'polygon 0 0,9 9',
      'polygon',
      '',
    ])
      expect([bad, problem(`UNFINISHED(${bad})`)]).toEqual([bad, 'impossible']);
  });
  test('moving a boundary keeps the shaded side, turning changes it', () => {
    const coordinate = fc.integer({ min: -5, max: 5 });
    const point = fc.record({ x: coordinate, y: coordinate });
    fc.assert(
      fc.property(point, point, point, point, (a, b, inside, to) => {
        const figure: Figure = { tool: 'halfplane', points: [a, b], inside, closed: true };
        const moved = moveHandle(figure, 1, to);
        fc.pre(isFigure(figure) && isFigure(moved) && moved.inside !== undefined);
        const [c, d] = moved.points;
        if (!c || !d || !moved.inside) throw new Error('no half-plane');
        expect(Math.sign(sideOfLine(moved.inside, c, d))).toBe(Math.sign(sideOfLine(inside, a, b)));
        const turned = otherSide(moved);
        expect(Math.sign(sideOfLine(turned.inside ?? c, c, d))).toBe(
          -Math.sign(sideOfLine(moved.inside, c, d)),
        );
      }),
    );
  });
  test('every figure an answer can hold survives being read and written', () => {
    const number = fc.integer({ min: -400, max: 400 }).map((n) => n / 8);
    fc.assert(
      fc.property(fc.array(fc.record({ x: number, y: number }), { minLength: 3, maxLength: 8 }), (points) => {
        const text = figureText({ tool: 'polygon', points });
        expect(figuresOf([text])).toEqual([{ tool: 'polygon', points }]);
      }),
    );
  });
});

describe('partition', () => {
  const { item, model: anyModel } = read(
    'partition',
    'cardinality="ordered" base-type="boolean"',
    'data-shape="bar" data-parts-min="2" data-parts-max="4" data-start="9"',
  );
  const model = anyModel as PartitionModel;
  test('starts within its limits; more and fewer keep the shading of parts that stay', () => {
    expect(shadingOf(model, null)).toEqual([false, false, false, false]);
    expect(resplit(model, [true, false], 3)).toEqual([true, false, false]);
    expect(resplit(model, [true, false, true], 2)).toEqual([true, false]);
    expect(resplit(model, [true, false, true, true], 5)).toBeNull();
    expect(resplit(model, [true, false], 1)).toBeNull();
  });
  test('split but not shaded is part done', () => {
    expect(progress(item, null)).toEqual(['empty', 'nothingShaded']);
    expect(progress(item, ['false', 'false'])).toEqual(['partial', 'nothingShaded']);
    expect(progress(item, ['true', 'false'])).toEqual(['complete', null]);
  });
  test('a grid of parts is as square as it goes', () => {
    expect([1, 6, 7, 12, 100].map((parts) => gridOf(parts).rows)).toEqual([1, 2, 1, 3, 10]);
  });
});

describe('tally plot', () => {
  const { item, model: anyModel } = read(
    'tally-plot',
    'cardinality="ordered" base-type="float"',
    'data-categories="a|b|c" data-max="2" data-step="0.5"',
  );
  const model = anyModel as TallyPlotModel;
  test('values keep to the steps and the maximum', () => {
    expect([0.3, 0.74, 9, -1].map((value) => onStep(model, value))).toEqual([0.5, 0.5, 2, 0]);
    expect(setValue(model, null, 1, 1.5)).toEqual(['0', '1.5', '0']);
    expect(setValue(model, ['0', '1.5', '0'], 1, 0)).toBeNull();
    expect(progress(item, ['0', '1.5', '0'])).toEqual(['complete', null]);
    expect(progress(item, ['0', '1.5'])).toEqual(['partial', 'notSet']);
    expect(progress(item, null)).toEqual(['empty', 'notSet']);
  });
  test('counters are neither made nor lost between boxes', () => {
    const box = fc.option(fc.integer({ min: 0, max: 2 }), { nil: null });
    fc.assert(
      fc.property(fc.array(fc.tuple(box, box), { maxLength: 30 }), (moves) => {
        let response: RawResponse = null;
        const total = () => valuesOf(model, response).reduce((sum, one) => sum + one, 0);
        for (const [from, to] of moves) {
          const before = total();
          response = moveCounter(model, response, from, to);
          const change = total() - before;
          if (from !== null && to !== null) expect(change).toBe(0);
          expect(Math.abs(change)).toBeLessThanOrEqual(0.5);
          for (const value of valuesOf(model, response)) expect(value).toBeLessThanOrEqual(2);
        }
      }),
    );
  });
});

test('cell grid: a sweep switches a rectangle; the answer lists cells row by row', () => {
  const { item, model: anyModel } = read(
    'cell-grid',
    'cardinality="multiple" base-type="identifier"',
    'data-rows="3" data-cols="4"',
  );
  const model = anyModel as CellGridModel;
  const swept = switchCells(
    model,
    ['r3c4'],
    cellsBetween({ row: 2, column: 2 }, { row: 1, column: 1 }),
    true,
  );
  expect(swept).toEqual(['r1c1', 'r1c2', 'r2c1', 'r2c2', 'r3c4']);
  expect(
    switchCells(model, swept, cellsBetween({ row: 1, column: 1 }, { row: 3, column: 4 }), false),
  ).toBeNull();
  expect(cellsOn(model, ['r9c9', 'x', 'r1c1']).size).toBe(1);
  expect(progress(item, null)).toEqual(['empty', 'noCell']);
  expect(progress(item, ['r1c1'])).toEqual(['complete', null]);
});

describe('show your work', () => {
  const item = read('equation', STRING, 'data-mode="work"').item;
  test('lines of maths and words are one LaTeX answer, signs aligned', () => {
    const lines: WorkLine[] = [
      { kind: 'maths', text: '3x+2=11' },
      { kind: 'words', text: 'take 2 away {both sides}' },
      { kind: 'maths', text: 'x\\le 3' },
    ];
    const latex = workLatex(lines);
    expect(latex).toBe(
      '\\begin{aligned}3x+2&=11\\\\\\text{take 2 away \\{both sides\\}}\\\\x&\\le 3\\end{aligned}',
    );
    expect(workLines(latex)).toEqual(lines);
  });
  test('any lines come back as they were written', () => {
    const words = fc.string({ maxLength: 20 }).filter((text) => !/\\/.test(text) && text.trim() !== '');
    const maths = fc.constantFrom('x=3', '\\frac{1}{2}', '2x+1<5', 'a');
    const line = fc.oneof(
      words.map((text): WorkLine => ({ kind: 'words', text })),
      maths.map((text): WorkLine => ({ kind: 'maths', text })),
    );
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 6 }), (lines) =>
        expect(workLines(workLatex(lines))).toEqual(lines),
      ),
    );
  });
  test('unfinished boxes in any line count as unfinished', () => {
    expect(progress(item, null)).toEqual(['empty', 'mathEmpty']);
    expect(progress(item, '\\begin{aligned}x&=3\\end{aligned}')).toEqual(['complete', null]);
    expect(progress(item, '\\begin{aligned}x&=\\frac{1}{\\placeholder{}}\\end{aligned}')).toEqual([
      'partial',
      'mathBoxes',
    ]);
  });
});
