import { exactValue } from './exact';
import { Field, Undefined } from './field';
import { parseMath } from './parse';
import { TooLarge, type Rational } from './rational';
import { Unreadable } from './tokens';

/** The exact rational value of written maths without variables (`1/2`, `-0.25`, `3 1/2`); null when it has none. */
export function exactRational(text: string): Rational | null {
  try {
    const field = new Field();
    return field.asRational(exactValue(parseMath(text), field));
  } catch (error) {
    if (
      error instanceof Unreadable ||
      error instanceof Undefined ||
      error instanceof TooLarge ||
      error instanceof RangeError
    )
      return null;
    throw error;
  }
}
