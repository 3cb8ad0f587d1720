import { isInteger, sign, type Rational } from '../../math/rational';

/** A decimal as a display shows it. */
export interface Decimal {
  /** With `−` and a point; rounded where it is not exact. */
  readonly digits: string;
  /** Times ten to this; 0 where the digits say it all. */
  readonly power: number;
  readonly exact: boolean;
}

/** Significant digits of a display. */
const SHOWN = 12;
/** Whole numbers up to this many digits are written out. */
const WRITTEN_OUT = 15;

/** A number as a decimal of at most 12 significant digits, rounded half away from zero (common practice, no source). */
export function decimalOf(value: Rational | number): Decimal {
  if (typeof value === 'number') return ofFloat(value);
  if (sign(value) < 0) {
    const positive = decimalOf({ n: -value.n, d: value.d });
    return { ...positive, digits: `−${positive.digits}` };
  }
  if (isInteger(value) && String(value.n).length <= WRITTEN_OUT)
    return { digits: String(value.n), power: 0, exact: true };
  return rounded(value);
}

function ofFloat(value: number): Decimal {
  if (value === 0) return { digits: '0', power: 0, exact: false };
  const [mantissa = '0', exponent = '0'] = Math.abs(value)
    .toExponential(SHOWN - 1)
    .split('e');
  const digits = BigInt(mantissa.replace('.', ''));
  const shown = placed(digits, Number(exponent), false);
  return value < 0 ? { ...shown, digits: `−${shown.digits}` } : shown;
}

/** A positive fraction to 12 significant digits, by whole numbers alone. */
function rounded({ n, d }: Rational): Decimal {
  if (n === 0n) return { digits: '0', power: 0, exact: true };
  let exponent = String(n).length - String(d).length;
  const scaled = (e: number) => {
    const shift = SHOWN - 1 - e;
    return shift >= 0
      ? { top: n * 10n ** BigInt(shift), bottom: d }
      : { top: n, bottom: d * 10n ** BigInt(-shift) };
  };
  const limit = 10n ** BigInt(SHOWN);
  while (scaled(exponent).top / scaled(exponent).bottom >= limit) exponent += 1;
  while (scaled(exponent).top / scaled(exponent).bottom < limit / 10n) exponent -= 1;
  const { top, bottom } = scaled(exponent);
  const exact = top % bottom === 0n;
  const digits = (top * 2n + bottom) / (bottom * 2n);
  return digits === limit ? placed(digits / 10n, exponent + 1, exact) : placed(digits, exponent, exact);
}

/** Twelve digits with their point where it belongs: d.ddd…×10^exponent. */
function placed(digits: bigint, exponent: number, exact: boolean): Decimal {
  const text = String(digits);
  const trimmed = (whole: string, rest: string) => {
    const kept = rest.replace(/0+$/, '');
    return kept === '' ? whole : `${whole}.${kept}`;
  };
  if (exponent >= WRITTEN_OUT || exponent < -6)
    return { digits: trimmed(text.slice(0, 1), text.slice(1)), power: exponent, exact };
  if (exponent < 0) return { digits: trimmed('0', '0'.repeat(-exponent - 1) + text), power: 0, exact };
  const padded = text.padEnd(exponent + 1, '0');
  return { digits: trimmed(padded.slice(0, exponent + 1), padded.slice(exponent + 1)), power: 0, exact };
}

/** The same decimal as a number that can be computed with. */
export const numberOf = ({ digits, power }: Decimal): number =>
  Number(digits.replace('−', '-')) * 10 ** power;
