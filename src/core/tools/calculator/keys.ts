import type { CalculatorKind } from '../../item/materials';

/** A key of the pad: what it shows and puts in. Its words are `tools.calculator.keys.NAME`, where the sign does not say enough. */
export interface CalculatorKey {
  readonly sign: string;
  readonly puts: string;
  readonly name?: string;
}
const key = (sign: string, name?: string, puts: string = sign): CalculatorKey => ({ sign, puts, name });
const digits = (text: string) => [...text].map((digit) => key(digit));

const BASIC: readonly (readonly CalculatorKey[])[] = [
  [...digits('789'), key('÷', 'divide'), key('√', 'root', '√(')],
  [...digits('456'), key('×', 'times'), key('%', 'percent')],
  [...digits('123'), key('−', 'minus'), key('(', 'open')],
  [...digits('0'), key('.', 'point'), key('−', 'negative', '(−'), key('+', 'plus'), key(')', 'close')],
];
const FRACTIONS: readonly CalculatorKey[] = [
  key('a/b', 'fraction', '/'),
  key('1 a/b', 'mixed', ' '),
  key('x²', 'square', '^2'),
  key('xʸ', 'power', '^'),
  key('1/x', 'reciprocal', '^(−1)'),
];
const SCIENTIFIC: readonly (readonly CalculatorKey[])[] = [
  [
    key('sin', 'sin', 'sin('),
    key('cos', 'cos', 'cos('),
    key('tan', 'tan', 'tan('),
    key('π', 'pi'),
    key('e', 'e'),
  ],
  [
    key('sin⁻¹', 'arcsin', 'arcsin('),
    key('cos⁻¹', 'arccos', 'arccos('),
    key('tan⁻¹', 'arctan', 'arctan('),
    key('ln', 'ln', 'ln('),
    key('log', 'log', 'log('),
  ],
  [
    key('∛', 'cubeRoot', '^(1/3)'),
    key('|x|', 'abs', 'abs('),
    key('10ˣ', 'tenPower', '10^('),
    key('eˣ', 'ePower', 'e^('),
    key('°', 'degree'),
  ],
];

/** The blocks of keys of a kind of calculator, five to a row: what it knows besides, and the digits. */
export function keysOf(kind: CalculatorKind): readonly (readonly CalculatorKey[])[] {
  switch (kind) {
    case 'basic':
      return [BASIC.flat()];
    case 'standard':
      return [[...FRACTIONS, ...BASIC.flat()]];
    case 'scientific':
    case 'graphing':
      return [[...SCIENTIFIC.flat(), ...FRACTIONS], BASIC.flat()];
  }
}
