import fc from 'fast-check';
import type { CoordinatePlaneModel } from '@/core/interactions/coordinate-plane';
import { sideOfLine, type Figure } from '@/core/interactions/coordinate-plane/figures';
import { labelEvery, planeGeometry, runOut, shading } from './geometry';

const model = (xMax: number, yMax: number): CoordinatePlaneModel => ({
  type: 'coordinate-plane',
  responseIdentifier: 'R',
  inline: false,
  prompt: [],
  classes: [],
  x: { min: 0, max: xMax, step: 1, label: 'x' },
  y: { min: 0, max: yMax, step: 1, label: 'y' },
  snap: { x: 1, y: 1 },
  tools: ['halfplane'],
  counts: { minimum: 1, maximum: 1 },
});
const widths = fc.integer({ min: 200, max: 1200 });

test('a point goes to its pixel and back, at any size', () => {
  fc.assert(
    fc.property(
      widths,
      fc.double({ min: 0, max: 8, noNaN: true }),
      fc.double({ min: 0, max: 6, noNaN: true }),
      (width, x, y) => {
        const { toPixel, toPlane } = planeGeometry(model(8, 6), { width, scale: 1 }, 500);
        const back = toPlane(toPixel({ x, y }));
        expect(back.x).toBeCloseTo(x, 6);
        expect(back.y).toBeCloseTo(y, 6);
      },
    ),
  );
});

test('units are equally long on both axes, and the plane fits into its room', () => {
  fc.assert(
    fc.property(widths, (width) => {
      const { toPixel, ...plane } = planeGeometry(model(8, 6), { width, scale: 1 }, 500);
      const [origin, across, up] = [
        toPixel({ x: 0, y: 0 }),
        toPixel({ x: 1, y: 0 }),
        toPixel({ x: 0, y: 1 }),
      ];
      expect(across.x - origin.x).toBeCloseTo(origin.y - up.y, 6);
      expect(plane.width).toBeLessThanOrEqual(Math.max(width, 188) + 1e-6);
      expect(plane.height).toBeLessThanOrEqual(501);
    }),
  );
});

test('hours against kilometres: axes that are too different each get their own unit', () => {
  const { innerWidth, innerHeight } = planeGeometry(model(10, 500), { width: 600, scale: 1 }, 500);
  expect(innerHeight / innerWidth).toBeCloseTo(0.75, 6);
});

test('a line runs out of the plane in both directions, a ray in one', () => {
  const [from, to] = runOut({ x: 10, y: 10 }, { x: 13, y: 14 }, true, 100);
  expect(from).toEqual({ x: -50, y: -70 });
  expect(to).toEqual({ x: 70, y: 90 });
  expect(runOut({ x: 10, y: 10 }, { x: 13, y: 14 }, false, 100)[0]).toEqual({ x: 10, y: 10 });
});

test('the shaded side is the side of the inside point', () => {
  const coordinate = fc.integer({ min: 0, max: 6 });
  const point = fc.record({ x: coordinate, y: coordinate });
  fc.assert(
    fc.property(point, point, point, (a, b, inside) => {
      fc.pre((a.x !== b.x || a.y !== b.y) && sideOfLine(inside, a, b) !== 0);
      const { toPixel, toPlane } = planeGeometry(model(6, 6), { width: 500, scale: 1 }, 500);
      const figure: Figure = { tool: 'halfplane', points: [a, b], inside, closed: true };
      const corners = shading(figure, toPixel, 1000);
      const middle = corners.reduce(({ x, y }, one) => ({ x: x + one.x / 4, y: y + one.y / 4 }), {
        x: 0,
        y: 0,
      });
      expect(Math.sign(sideOfLine(toPlane(middle), a, b))).toBe(Math.sign(sideOfLine(inside, a, b)));
    }),
  );
  expect(shading({ tool: 'halfplane', points: [] }, (point) => point, 10)).toEqual([]);
});

test.each([
  [10, 400, 30, 1],
  [20, 400, 30, 2],
  [60, 400, 30, 5],
  [100, 400, 30, 10],
  [120, 100, 90, 100],
])('%d lines in %d pixels, %d each: every %d bears a number', (count, room, size, every) => {
  const found = labelEvery(count, room, size);
  expect(found).toBe(every);
  if (found < 100) expect((room / count) * found).toBeGreaterThanOrEqual(size);
});
