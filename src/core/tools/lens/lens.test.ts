import fc from 'fast-check';
import { ENLARGES, LENS_SIZES, lensAt, onScreen } from '.';

const rooms = fc.record({
  width: fc.integer({ min: 320, max: 2560 }),
  height: fc.integer({ min: 240, max: 1600 }),
  rem: fc.integer({ min: 16, max: 64 }),
});

test('the lens is whole on the screen, and what is looked at is seen where it is', () => {
  fc.assert(
    fc.property(
      rooms,
      fc.constantFrom(...ENLARGES),
      fc.constantFrom(...LENS_SIZES),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (room, times, size, x, y) => {
        const point = { x: x * room.width, y: y * room.height };
        const { box, shift } = lensAt(point, size, times, room);
        expect(box.left).toBeGreaterThanOrEqual(0);
        expect(box.top).toBeGreaterThanOrEqual(0);
        expect(box.left + box.width).toBeLessThanOrEqual(room.width + 1e-9);
        expect(box.top + box.height).toBeLessThanOrEqual(room.height + 1e-9);
        expect(box.left + shift.x + point.x * times).toBeCloseTo(point.x, 6);
        expect(box.top + shift.y + point.y * times).toBeCloseTo(point.y, 6);
        expect(point.x).toBeGreaterThanOrEqual(box.left - 1e-9);
        expect(point.x).toBeLessThanOrEqual(box.left + box.width + 1e-9);
      },
    ),
  );
});
test('a point that was left beyond the edge comes back with the screen', () => {
  expect(onScreen({ x: 900, y: -5 }, { width: 800, height: 600 })).toEqual({ x: 800, y: 0 });
});
