import { divide, fromDecimal, isZero, negate, rational, add, TooLarge, type Rational } from './rational';

const DECIMAL = /^(?:\d+\.?\d*|\.\d+)$/;
const FRACTION = /^(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/;
const LATEX = /^(\d+)?\s*\\[dt]?frac\{(\d+)\}\{(\d+)\}$/;

/**
 * An exact number from plain text: a decimal (`-2.5`), a fraction (`1/3`, `\frac{1}{3}`) or a mixed number (`1 1/2`); null when
 * it is none. For what is written with operations or roots see `exactRational`.
 */
export function plainNumber(text: string): Rational | null {
  const plain = text.trim().replace(/[\u2212\u2013]/g, '-');
  if (plain === '' || plain.length > 60) return null;
  const negative = plain.startsWith('-');
  const size = negative || plain.startsWith('+') ? plain.slice(1).trim() : plain;
  try {
    const value = unsigned(size);
    return value && negative ? negate(value) : value;
  } catch (error) {
    if (error instanceof TooLarge) return null;
    throw error;
  }
}

function unsigned(text: string): Rational | null {
  if (DECIMAL.test(text)) return fromDecimal(text);
  const [, whole, top, bottom] = FRACTION.exec(text) ?? LATEX.exec(text) ?? [];
  if (top === undefined || bottom === undefined) return null;
  const below = rational(BigInt(bottom));
  if (isZero(below)) return null;
  const part = divide(rational(BigInt(top)), below);
  return whole === undefined ? part : add(rational(BigInt(whole)), part);
}
