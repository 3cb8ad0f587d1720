import fc from 'fast-check';
import { angleOf, angleTo, laidIn, protractorMarks, rulerMarks } from '.';

test('an inch is 96 pixels and a centimeter 96/2.54 (CSS Values and Units 4, §6.2), from the first mark to the last', () => {
  const inches = rulerMarks({ unit: 'in', length: 6, minor: 1 / 16, major: 1 });
  expect(inches).toHaveLength(97);
  for (const inch of [0, 1, 2, 6])
    expect(inches[inch * 16]).toEqual({ at: inch * 96, rank: 4, label: String(inch) });
  const centimeters = rulerMarks({ unit: 'cm', length: 15, minor: 0.1, major: 1 });
  expect(centimeters).toHaveLength(151);
  // 2.54 cm and 25.4 mm are one inch.
  expect(centimeters[127]?.at).toBeCloseTo(5 * 96, 9);
  expect(centimeters[150]).toEqual({
    at: expect.closeTo((15 / 2.54) * 96, 9) as number,
    rank: 4,
    label: '15',
  });
});
test('halves are longer than quarters, quarters than eighths, eighths than sixteenths', () => {
  const inch = rulerMarks({ unit: 'in', length: 1, minor: 1 / 16, major: 1 });
  expect(inch.map(({ rank }) => rank)).toEqual([4, 0, 1, 0, 2, 0, 1, 0, 3, 0, 1, 0, 2, 0, 1, 0, 4]);
});
test('a ruler with numbered marks each five centimeters counts in fives', () => {
  const marks = rulerMarks({ unit: 'cm', length: 20, minor: 1, major: 5 });
  expect(marks.flatMap(({ label }) => label ?? [])).toEqual(['0', '5', '10', '15', '20']);
});
test('a protractor has a mark for each degree, a number for each ten', () => {
  const marks = protractorMarks({ minor: 1, major: 10 });
  expect(marks).toHaveLength(181);
  expect(marks.flatMap(({ label }) => label ?? [])).toEqual(
    Array.from({ length: 19 }, (_, i) => String(i * 10)),
  );
});
test('an instrument stays inside, whatever it is moved and turned by', () => {
  const any = fc.double({ min: -5_000, max: 5_000, noNaN: true });
  fc.assert(
    fc.property(any, any, any, fc.nat(2_000), fc.nat(2_000), (x, y, angle, width, height) => {
      const laid = laidIn({ x, y, angle, flipped: false }, { width, height });
      expect(laid.x >= 0 && laid.x <= width && laid.y >= 0 && laid.y <= height).toBe(true);
      expect(laid.angle >= 0 && laid.angle < 360).toBe(true);
    }),
  );
});
test('angles turn counterclockwise from the right', () => {
  const from = { x: 10, y: 10 };
  expect(angleTo(from, { x: 20, y: 10 })).toBe(0);
  expect(angleTo(from, { x: 20, y: 0 })).toBe(45);
  expect(angleTo(from, { x: 10, y: 20 })).toBe(270);
  expect([angleOf(-15), angleOf(360), angleOf(359.97)]).toEqual([345, 0, 0]);
});
