import { create, all } from 'mathjs';
import fc from 'fast-check';
import { curveOf, easyStep, FIRST_VIEW, functionOf, panned, shortNumber, zoomed } from '.';

const math = create(all ?? {});
const at = (text: string, angle: 'degrees' | 'radians' = 'radians') => {
  const made = functionOf(text, angle);
  if (!made.ok) throw new Error(`${text}: ${made.why}`);
  return made.at;
};

/** Functions in our signs and in those of mathjs, which is the reference. */
const FUNCTIONS = [
  ['2x+1', '2*x+1'],
  ['x^2−3', 'x^2-3'],
  ['y = x(x−4)/2', 'x*(x-4)/2'],
  ['−x^3+2x', '-x^3+2*x'],
  ['(x+1)/(x−2)', '(x+1)/(x-2)'],
  ['√(x+5)', 'sqrt(x+5)'],
  ['abs(x−1)−2', 'abs(x-1)-2'],
  ['sin(x)', 'sin(x)'],
  ['cos(2x)+1', 'cos(2*x)+1'],
  ['tan(x/4)', 'tan(x/4)'],
  ['ln(x+11)', 'log(x+11)'],
  ['e^(x/3)', 'e^(x/3)'],
  ['10^(x/10)', '10^(x/10)'],
  ['3·2^x', '3*2^x'],
  ['πx', 'pi*x'],
  ['f(x) = 1/(x^2+1)', '1/(x^2+1)'],
] as const;
test.each(FUNCTIONS)('%s has the values mathjs gives %s', (ours, theirs) => {
  const compiled = math.compile(theirs);
  for (const x of [-7.5, -4, -1.25, 0.5, 1, 3, 6.5, 9]) {
    const expected: unknown = compiled.evaluate({ x });
    // Where theirs leaves the real numbers, ours has no value.
    if (typeof expected !== 'number' || !Number.isFinite(expected)) expect(at(ours)(x)).toBeNaN();
    else expect(at(ours)(x)).toBeCloseTo(expected, 9);
  }
});
test('angles as the calculator is set', () => {
  expect(at('sin(x)', 'degrees')(30)).toBeCloseTo(0.5, 12);
  expect(at('arcsin(x)', 'degrees')(0.5)).toBeCloseTo(30, 9);
});
test('what is no function of x says why', () => {
  expect(functionOf('2x+', 'degrees')).toEqual({ ok: false, why: 'unreadable' });
  expect(functionOf('x=3', 'degrees')).toEqual({ ok: false, why: 'unreadable' });
  expect(functionOf('a·x', 'degrees')).toEqual({ ok: false, why: 'not-here' });
});

test('a straight line is one curve from edge to edge; a parabola too', () => {
  const [line = [], ...more] = curveOf(at('2x+1'), FIRST_VIEW, 100);
  expect(more).toEqual([]);
  expect([line[0], line.at(-1)]).toEqual([
    { x: -10, y: -19 },
    { x: 10, y: 21 },
  ]);
  expect(curveOf(at('x^2'), FIRST_VIEW, 100)).toHaveLength(1);
});
test('a pole is no wall: the curve is broken there, whichever side its values go', () => {
  for (const [text, pieces] of [
    ['1/x', 2],
    ['1/(x−0.05)', 2],
    ['tan(x)', 7],
  ] as const)
    expect(curveOf(at(text), FIRST_VIEW, 401)).toHaveLength(pieces);
});
test('a curve that ends ends where it does', () => {
  const [curve = []] = curveOf(at('√(x−1)'), FIRST_VIEW, 37);
  expect(curve[0]?.x).toBeCloseTo(1, 5);
  expect(curve[0]?.y).toBeLessThan(0.01);
  expect(curveOf(at('√(−1−x^2)'), FIRST_VIEW, 50)).toEqual([]);
});
test('grid lines are easy to count by, and about as many as asked for', () => {
  expect(easyStep({ min: -10, max: 10 }, 10)).toBe(2);
  expect(easyStep({ min: 0, max: 1 }, 10)).toBe(0.1);
  fc.assert(
    fc.property(fc.double({ min: 1e-3, max: 1e6, noNaN: true }), (wide) => {
      const step = easyStep({ min: 0, max: wide }, 10);
      expect(wide / step).toBeLessThanOrEqual(10.001);
      expect(wide / step).toBeGreaterThan(3.9);
      expect([1, 2, 5]).toContain(Number((step / 10 ** Math.floor(Math.log10(step) + 1e-9)).toPrecision(6)));
    }),
  );
});
test('nearer and further away around the middle, moved by shares, and never beyond what floats can tell apart', () => {
  expect(zoomed(FIRST_VIEW, 0.5)).toEqual({ x: { min: -5, max: 5 }, y: { min: -5, max: 5 } });
  expect(panned(FIRST_VIEW, 0.25, -0.5)).toEqual({ x: { min: -5, max: 15 }, y: { min: -20, max: 0 } });
  let view = FIRST_VIEW;
  for (let i = 0; i < 60; i += 1) view = zoomed(view, 0.5);
  expect(view.x.max - view.x.min).toBeGreaterThan(1e-3);
  for (let i = 0; i < 80; i += 1) view = panned(zoomed(view, 2), 0.25, 0.25);
  expect(Math.abs(view.x.max)).toBeLessThanOrEqual(2e6);
});
test('values are short, and nothing at all has no sign', () => {
  expect(shortNumber(-0)).toBe('0');
  expect(shortNumber(1 / 3)).toBe('0.333333');
  expect(shortNumber(-2.5)).toBe('\u22122.5');
  expect(shortNumber(NaN)).toBe('–');
});
