import { partPath, SIZE } from './shapes';

/** The corners of a path of straight lines, by its absolute and relative commands. */
const numbersIn = (path: string): number[] => (path.match(/-?\d+(?:\.\d+)?/g) ?? []).map(Number);

test.each([1, 2, 3, 7, 12])('the pieces of a bar are equal and fill it: %d', (parts) => {
  let end = 0;
  for (let i = 0; i < parts; i += 1) {
    const [x = NaN, y, width = NaN, height] = numbersIn(partPath('bar', i, parts));
    expect([y, height]).toEqual([0, SIZE.bar.height]);
    expect(x).toBeCloseTo(end, 9);
    end = x + width;
  }
  expect(end).toBeCloseTo(SIZE.bar.width, 9);
});

test.each([1, 2, 6, 7, 12])('the cells of a grid are equal and cover it: %d', (parts) => {
  let area = 0;
  const corners = new Set<string>();
  for (let i = 0; i < parts; i += 1) {
    const [x = NaN, y = NaN, width = NaN, height = NaN] = numbersIn(partPath('grid', i, parts));
    area += width * height;
    corners.add(`${x.toFixed(6)} ${y.toFixed(6)}`);
  }
  expect(area).toBeCloseTo(SIZE.grid.width * SIZE.grid.height, 6);
  expect(corners.size).toBe(parts);
});

test('slices of a circle go clockwise from the top, each beginning where the one before ended', () => {
  const parts = 5;
  const ends = Array.from({ length: parts }, (_, i) => {
    const path = partPath('circle', i, parts);
    const [, from = ''] = /L([-\d. ]+)A/.exec(path) ?? [];
    const to = path.replace(/z$/, '').split(' ').slice(-2);
    return { from: from.split(' ').map(Number), to: to.map(Number) };
  });
  const r = SIZE.circle.width / 2;
  expect(ends[0]?.from[0]).toBeCloseTo(r, 9);
  expect(ends[0]?.from[1]).toBeCloseTo(0, 9);
  expect(ends[0]?.to[0]).toBeGreaterThan(r);
  ends.forEach(({ to }, i) => {
    const next = ends[(i + 1) % parts]?.from ?? [];
    expect(to[0]).toBeCloseTo(next[0] ?? NaN, 6);
    expect(to[1]).toBeCloseTo(next[1] ?? NaN, 6);
  });
  expect(partPath('circle', 0, 1)).toMatch(/^M130 0A130 130 0 1 1/);
});
