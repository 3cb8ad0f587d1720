import { all, create, type FactoryFunctionMap } from 'mathjs';
import { toTyped } from '../../math';
import type { CalculatorKind } from '../../item/materials';
import { numberOf } from './decimal';
import { workOut, type AngleUnit } from './evaluate';

/** The same expression for mathjs: its signs, and a bracket around each mixed number. */
const theirs = (text: string) =>
  text
    .replace(/×/g, '*')
    .replace(/÷/g, '/')
    .replace(/−/g, '-')
    .replace(/√/g, 'sqrt')
    .replace(/π/g, 'pi')
    .replace(/(\d+) (\d+)\/(\d+)/g, '($1+$2/$3)');
const fractions = create(all as FactoryFunctionMap, { number: 'Fraction' });
const decimals = create(all as FactoryFunctionMap, { number: 'BigNumber', precision: 64 });

/** A fixed sequence, so that a failure can be seen again. */
function sequence(seed: number) {
  let state = seed;
  return (below: number) => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return Math.floor((state / 2_147_483_648) * below);
  };
}
function expressions(seed: number, count: number, leaf: (next: (below: number) => number) => string) {
  const next = sequence(seed);
  const build = (depth: number): string => {
    if (depth === 0) return leaf(next);
    const sign = ['+', '−', '×', '÷'][next(4)] ?? '+';
    const both = [build(depth - 1), build(next(depth))] as const;
    const inner = `${both[0]}${sign}${both[1]}`;
    return next(3) === 0 ? `(${inner})` : inner;
  };
  return Array.from({ length: count }, () => build(1 + next(3)));
}

test('220 expressions of whole numbers, fractions and mixed numbers agree with mathjs, to the last digit', () => {
  const leaf = (next: (below: number) => number) =>
    [
      String(1 + next(30)),
      `(${1 + next(12)}/${2 + next(11)})`,
      `(${1 + next(5)} ${1 + next(6)}/${7 + next(5)})`,
      `(−${1 + next(9)})`,
    ][next(4)] ?? '1';
  let zero = 0;
  for (const text of expressions(7, 220, leaf)) {
    const mine = workOut(text, 'standard', 'degrees');
    let reference: { n: bigint; d: bigint; s: bigint } | null;
    try {
      reference = fractions.evaluate(theirs(text)) as { n: bigint; d: bigint; s: bigint };
    } catch {
      reference = null;
    }
    if (reference === null) {
      expect([text, mine]).toEqual([text, { ok: false, why: 'by-zero' }]);
      zero += 1;
      continue;
    }
    const n = BigInt(reference.n) * BigInt(reference.s);
    const expected = reference.d === 1n ? String(n) : `${n}/${reference.d}`;
    expect([text, mine.ok && mine.exact && toTyped(mine.exact)]).toEqual([text, expected]);
  }
  expect(zero).toBeLessThan(20);
});

test('120 expressions of decimals agree with mathjs to twelve digits', () => {
  const leaf = (next: (below: number) => number) => `${next(100)}.${next(10)}${1 + next(9)}`;
  for (const text of expressions(11, 120, leaf)) {
    const mine = workOut(text, 'basic', 'degrees');
    const reference = decimals.evaluate(theirs(text)) as { toNumber(): number };
    if (!mine.ok) throw new Error(`${text}: ${mine.why}`);
    const expected = reference.toNumber();
    expect([
      text,
      Math.abs(numberOf(mine.decimal) - expected) <= 1e-11 * Math.max(1, Math.abs(expected)),
    ]).toEqual([text, true]);
  }
});

const shown = (text: string, kind: CalculatorKind = 'scientific', angle: AngleUnit = 'degrees') => {
  const result = workOut(text, kind, angle);
  if (!result.ok) return result.why;
  const { exact, mixed, decimal } = result;
  return [
    exact && toTyped(exact),
    mixed && toTyped(mixed),
    `${decimal.exact ? '' : '~'}${decimal.digits}${decimal.power === 0 ? '' : `e${decimal.power}`}`,
  ];
};

// Values by hand; sines and cosines of 30°, 45° and 60° as in every table of them (common practice).
test.each<readonly [string, ReturnType<typeof shown>]>([
  ['6/8', ['3/4', null, '0.75']],
  ['7/4', ['7/4', '1 3/4', '1.75']],
  ['1/3', ['1/3', null, '~0.333333333333']],
  ['2/3', ['2/3', null, '~0.666666666667']],
  ['1 1/2+2 3/4', ['17/4', '4 1/4', '4.25']],
  ['2+3×4', ['14', null, '14']],
  ['(2+3)×4', ['20', null, '20']],
  ['12÷4÷3', ['1', null, '1']],
  ['−3^2', ['-9', null, '−9']],
  ['√(8)', ['2sqrt(2)', null, '~2.82842712475']],
  ['√(2)×√(8)', ['4', null, '4']],
  ['√(1/2)', ['sqrt(2)/2', null, '~0.707106781187']],
  ['2π', ['2pi', null, '~6.28318530718']],
  ['sin(30)', ['1/2', null, '0.5']],
  ['cos(45)', ['sqrt(2)/2', null, '~0.707106781187']],
  ['tan(60)', ['sqrt(3)', null, '~1.73205080757']],
  ['arcsin(1/2)', ['30', null, '30']],
  ['arctan(1)', ['45', null, '45']],
  ['20%×50', ['10', null, '10']],
  ['0.1+0.2', ['3/10', null, '0.3']],
  ['10^20', ['100000000000000000000', null, '1e20']],
  ['1/0', 'by-zero'],
  ['5÷(2−2)', 'by-zero'],
  ['√(−4)', 'no-value'],
  ['ln(0)', 'no-value'],
  ['10^101', 'too-large'],
  ['9^9^9', 'too-large'],
  ['2+', 'unreadable'],
  ['2 3', 'unreadable'],
  ['(2', 'unreadable'],
  ['', 'unreadable'],
  ['2=2', 'unreadable'],
  ['x+1', 'not-here'],
])('%s', (text, expected) => {
  expect(shown(text)).toEqual(expected);
});
test('radians when it is set so', () => {
  expect(shown('sin(π/6)', 'scientific', 'radians')).toEqual(['1/2', null, '0.5']);
  expect(shown('arctan(1)', 'scientific', 'radians')).toEqual(['pi/4', null, '~0.785398163397']);
});
test('each kind works out what it has keys for', () => {
  expect(shown('2^3', 'basic')).toBe('not-here');
  expect(shown('2^3', 'standard')).toEqual(['8', null, '8']);
  expect(shown('sin(30)', 'standard')).toBe('not-here');
});
test('a result put back is worth the same', () => {
  for (const text of ['6/8', '1/3', '√(8)', '2π', '√(2)/2+1', '−7/4', '10^20', '√(3)−√(2)', '2^(1/3)']) {
    const first = workOut(text, 'scientific', 'degrees');
    if (!first.ok) throw new Error(text);
    const again = workOut(`${first.text}×2`, 'scientific', 'degrees');
    if (!again.ok) throw new Error(`${text} put back as ${first.text}`);
    expect(numberOf(again.decimal)).toBeCloseTo(2 * numberOf(first.decimal), 9);
  }
});
