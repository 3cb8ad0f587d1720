import fc from 'fast-check';
import { descendantsOf, elementsOf, parseXml } from '../../xml/xml';
import { readFile } from '../file';
import {
  arrowHead,
  boxOfMark,
  drawingSvg,
  drawingText,
  MARK_COLOURS,
  markAt,
  marksOf,
  strokePath,
  type Mark,
} from './marks';
import { contrast } from '../../view/contrast';

const pen = { colour: 'ink', width: 4 } as const;
const coordinate = fc.integer({ min: 0, max: 640 });
const point = fc.tuple(coordinate, coordinate);
const style = {
  colour: fc.constantFrom('ink', 'blue', 'green', 'red'),
  width: fc.constantFrom(2, 4, 8),
} as const;
const anyMark: fc.Arbitrary<Mark> = fc.oneof(
  fc.record({
    kind: fc.constant('stroke' as const),
    points: fc.array(point, { minLength: 1, maxLength: 8 }),
    ...style,
  }),
  fc.record({
    kind: fc.constantFrom('line' as const, 'arrow' as const, 'rectangle' as const, 'ellipse' as const),
    from: point,
    to: point,
    ...style,
  }),
  fc.record({ kind: fc.constant('text' as const), at: point, text: fc.string({ maxLength: 20 }), ...style }),
);

test('any drawing is kept as a file and comes back mark by mark', () => {
  fc.assert(
    fc.property(fc.array(anyMark, { minLength: 1, maxLength: 6 }), (marks) => {
      const text = drawingText(marks, 640, 400, 'drawing-1.svg');
      expect(text && marksOf(text)).toEqual(marks);
      expect(readFile(text ?? '')).toMatchObject({ name: 'drawing-1.svg', mediaType: 'image/svg+xml' });
    }),
  );
  expect(drawingText([], 640, 400, 'x')).toBeNull();
});

test('the file is well-formed SVG with an element for each mark, whatever was written', () => {
  const words: Mark = { kind: 'text', at: [10, 20], text: '<b>"Ebb" & flow</b>', ...pen };
  const marks: Mark[] = [
    {
      kind: 'stroke',
      points: [
        [1, 1],
        [5, 9],
      ],
      ...pen,
    },
    { kind: 'rectangle', from: [30, 40], to: [10, 20], ...pen },
    { kind: 'ellipse', from: [0, 0], to: [20, 10], ...pen },
    words,
  ];
  const root = parseXml(drawingSvg(marks, 640, 400));
  expect(root.attributes.viewBox).toBe('0 0 640 400');
  expect(elementsOf(root).map((one) => one.name)).toEqual(['path', 'rect', 'ellipse', 'text']);
  expect(descendantsOf(root, 'rect')[0]?.attributes).toMatchObject({
    x: '10',
    y: '20',
    width: '20',
    height: '20',
  });
  expect(descendantsOf(root, 'ellipse')[0]?.attributes).toMatchObject({
    cx: '10',
    cy: '5',
    rx: '10',
    ry: '5',
  });
  expect(descendantsOf(root, 'text')[0]?.children).toMatchObject([{ text: '<b>"Ebb" & flow</b>' }]);
});

test.each([
  ['another SVG', 'data:image/svg+xml;name=a.svg;base64,PHN2Zy8+'],
  ['a picture', 'data:image/png;name=a.png;base64,AAEC'],
  ['no file', 'map.svg'],
  ['broken marks', `data:image/svg+xml;base64,${Buffer.from('<svg data-marks="[{]"/>').toString('base64')}`],
  [
    'marks of another kind',
    `data:image/svg+xml;base64,${Buffer.from('<svg data-marks="[{&#34;kind&#34;:&#34;gull&#34;}]"/>').toString('base64')}`,
  ],
])('%s holds no marks of ours', (_name, text) => {
  expect(marksOf(text)).toEqual([]);
});

test('paths', () => {
  expect(strokePath([])).toBe('');
  expect(strokePath([[3, 4]])).toBe('M3 4h0.1');
  expect(
    strokePath([
      [1.04, 2],
      [3, 4.06],
    ]),
  ).toBe('M1 2L3 4.1');
  // An arrow to the right: both strokes of its head begin to the left of the tip, above and below.
  const [, upX = 0, upY = 0, , , downX = 0, downY = 0] = arrowHead([0, 0], [100, 0], 4)
    .split(/[ML ]/)
    .map(Number);
  expect(upX).toBeLessThan(100);
  expect(downX).toBe(upX);
  expect(downY).toBe(-upY);
  expect(boxOfMark({ from: [5, 9], to: [1, 2] })).toEqual({ x: 1, y: 2, width: 4, height: 7 });
});

describe('the eraser finds the topmost mark near a point', () => {
  const line: Mark = { kind: 'line', from: [0, 0], to: [100, 0], ...pen };
  const box: Mark = { kind: 'rectangle', from: [200, 100], to: [300, 200], ...pen };
  const round: Mark = { kind: 'ellipse', from: [400, 100], to: [500, 200], ...pen };
  const words: Mark = { kind: 'text', at: [50, 300], text: 'tide', ...pen };
  const marks = [line, box, round, words, line];
  test.each([
    ['on a line, the one on top', [50, 3], 4],
    ['on the edge of a rectangle', [200, 150], 1],
    ['inside a rectangle there is nothing', [250, 150], -1],
    ['on the rim of an ellipse', [450, 102], 2],
    ['in the middle of an ellipse there is nothing', [450, 150], -1],
    ['on words', [60, 295], 3],
    ['far from everything', [600, 390], -1],
  ] as const)('%s', (_name, at, index) => {
    expect(markAt(marks, at, 8)).toBe(index);
  });
  test('a dot can be erased', () => {
    expect(markAt([{ kind: 'stroke', points: [[10, 10]], ...pen }], [12, 11], 8)).toBe(0);
  });
});

/** WCAG 2.2 §1.4.6 (enhanced contrast), for words drawn on the white sheet. */
test.each(Object.entries(MARK_COLOURS))('%s is dark enough on white', (_name, colour) => {
  expect(contrast(colour, '#ffffff')).toBeGreaterThanOrEqual(7);
});
