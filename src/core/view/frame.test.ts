import fc from 'fast-check';
import { boxOf, moved, resized, type Frame, type Room } from './frame';

const frames = fc.record({
  x: fc.double({ min: -1, max: 2, noNaN: true }),
  y: fc.double({ min: -1, max: 2, noNaN: true }),
  width: fc.double({ min: 1, max: 200, noNaN: true }),
  height: fc.double({ min: 1, max: 200, noNaN: true }),
});
const rooms = fc.record({
  width: fc.integer({ min: 320, max: 2_560 }),
  height: fc.integer({ min: 240, max: 1_440 }),
  rem: fc.constantFrom(16, 24, 32, 64),
});
const steps = fc.integer({ min: -3_000, max: 3_000 });
const isInside = (frame: Frame, room: Room) => {
  const { left, top, width, height } = boxOf(frame, room);
  const slack = 1e-6;
  return (
    left >= -slack &&
    top >= -slack &&
    left + width <= room.width + slack &&
    top + height <= room.height + slack
  );
};

test('a window is whole on the screen, however it was moved, resized, magnified or taken to another screen', () => {
  fc.assert(
    fc.property(frames, rooms, rooms, steps, steps, (frame, room, other, dx, dy) => {
      expect(isInside(frame, room)).toBe(true);
      const changed = resized(moved(frame, room, dx, dy), room, dy, dx);
      expect(isInside(changed, room)).toBe(true);
      expect(isInside(changed, other)).toBe(true);
    }),
  );
});
const ROOM = { width: 1_000, height: 600, rem: 16 };
const FRAME = { x: 0.5, y: 0.5, width: 20, height: 20 };

test('a window moves by what it is moved by, and grows at its lower right corner', () => {
  expect(boxOf(FRAME, ROOM)).toEqual({ left: 340, top: 140, width: 320, height: 320 });
  expect(boxOf(moved(FRAME, ROOM, 40, -30), ROOM)).toEqual({ left: 380, top: 110, width: 320, height: 320 });
  const larger = boxOf(resized(FRAME, ROOM, 100, 50), ROOM);
  expect(larger.left).toBeCloseTo(340);
  expect(larger.top).toBeCloseTo(140);
  expect(larger.width).toBeCloseTo(420);
  expect(larger.height).toBeCloseTo(370);
});
test('in a corner it stays in the corner when the screen grows', () => {
  const corner = moved(FRAME, ROOM, 2_000, 2_000);
  expect(boxOf(corner, { width: 1_600, height: 900, rem: 16 })).toEqual({
    left: 1_280,
    top: 580,
    width: 320,
    height: 320,
  });
});
