import { equivalent, FORMS, type Form } from '../math';
import * as v from '../item/value';
import type { Value } from '../item/value';

type CustomOperator = (args: readonly Value[], attributes: Readonly<Record<string, string>>) => Value;

const textOf = (value: Value): string =>
  value !== null && value.cardinality === 'single' ? v.formatScalar(value.value) : '';

/** Our operators by `class` (items.md): NULL in, NULL out; an answer that cannot be read is false. */
const OPERATORS: Readonly<Record<string, CustomOperator>> = {
  'able.math.equivalent': ([answer = null, reference = null], attributes) => {
    const form: Form = FORMS.find((one) => one === attributes['data-form']) ?? 'any';
    const tolerance = Number(attributes['data-tolerance'] ?? 0);
    return v.boolean(
      equivalent(textOf(answer), textOf(reference), {
        form,
        tolerance: Number.isFinite(tolerance) ? tolerance : 0,
      }),
    );
  },
  'able.list.agreement': ([answer = null, reference = null]) => {
    if (
      answer === null ||
      reference === null ||
      answer.cardinality === 'record' ||
      reference.cardinality === 'record'
    )
      return null;
    const [given, wanted] = [v.scalarsOf(answer), v.scalarsOf(reference)];
    const places = Math.max(given.length, wanted.length);
    const agree = wanted.filter((one, i) => {
      const other = given[i];
      return other !== undefined && v.scalarsEqual(one, other, reference.baseType);
    });
    return v.float(agree.length / places);
  },
};

/** Whether a custom operator of that class is known. */
export const isCustomOperator = (name: string): boolean => name in OPERATORS;

/** The value of a custom operator; NULL for NULL children and for classes that are not ours. */
export function customOperator(attributes: Readonly<Record<string, string>>, args: readonly Value[]): Value {
  const operator = OPERATORS[attributes.class ?? ''];
  if (!operator || args.some((arg) => v.isNull(arg))) return null;
  return operator(args, attributes);
}
