import { sprintf } from 'sprintf-js';
import type { PrintSettings } from './content';
import { formatScalar, type Scalar, type Value } from './value';

/** One scalar as printed; a format that does not fit its value leaves the plain text. */
function printScalar(scalar: Scalar, format: string | null): string {
  if (format === null) return formatScalar(scalar);
  try {
    return sprintf(format, scalar);
  } catch {
    return formatScalar(scalar);
  }
}

/** The text of a printed variable (QTI 3.0, "printed variable": formats as in C's printf). NULL prints nothing. */
export function printValue(value: Value, { format, index, field, delimiter }: PrintSettings): string {
  if (value === null) return '';
  if (value.cardinality === 'record') {
    const fields = Object.entries(value.fields).filter(([name]) => field === null || name === field);
    return fields
      .map(([name, one]) => {
        const text = one === null ? '' : printScalar(one.value, format);
        return field === null ? `${name}=${text}` : text;
      })
      .join(delimiter);
  }
  if (value.cardinality === 'single') return printScalar(value.value, format);
  const chosen = index === null ? value.values : value.values.slice(index - 1, index);
  return chosen.map((scalar) => printScalar(scalar, format)).join(delimiter);
}
