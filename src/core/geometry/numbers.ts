import { exactRational } from '../math';
import type { Rational } from '../math/rational';

/** An exact number from decimal or fraction text (`-2.5`, `1/3`); null when it is none. */
export function readNumber(text: string): Rational | null {
  const trimmed = text.trim();
  return trimmed === '' || trimmed.length > 60 ? null : exactRational(trimmed);
}
