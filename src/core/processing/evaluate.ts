import * as v from '../item/value';
import type { BaseType, Scalar, Value } from '../item/value';
import { isInside, isShape, parseCoords } from '../geometry/areas';
import type { Scope } from './context';
import { customOperator } from './custom';
import { mapPoints, mapValue } from './mapping';
import * as n from './numbers';
import { matchesPattern } from './pattern';
import type { Expression } from './program';
import { testExpression } from './testExpressions';

type Operator = (args: readonly Value[], expression: Expression, scope: Scope) => Value;

const truth = (value: Value | undefined): boolean | null =>
  value !== undefined && value !== null && value.cardinality === 'single' && typeof value.value === 'boolean'
    ? value.value
    : null;
const text = (value: Value | undefined): string | null =>
  value !== undefined && value !== null && value.cardinality === 'single' && !v.isNull(value)
    ? v.formatScalar(value.value)
    : null;
const answer = (value: boolean | null): Value => (value === null ? null : v.boolean(value));

/** An attribute that is a number or the name of a variable holding one. */
function numberOrVariable(source: string | undefined, scope: Scope): number | null {
  if (source === undefined) return null;
  const number = Number(source);
  return source.trim() !== '' && Number.isFinite(number)
    ? number
    : n.numberOf(scope.variables.get(source)?.value);
}

const both =
  (compare: (a: number, b: number) => boolean): Operator =>
  ([left, right]) => {
    const [a, b] = [n.numberOf(left), n.numberOf(right)];
    return a === null || b === null ? null : v.boolean(compare(a, b));
  };

/** Arithmetic over all numbers of all children: an integer when all are, else a float; NULL when any is NULL. */
const fold =
  (compute: (numbers: readonly number[]) => number): Operator =>
  (args) => {
    const numbers = n.numbersOf(args);
    if (!numbers || numbers.length === 0) return null;
    const result = compute(numbers);
    return n.allIntegers(args) && Number.isInteger(result) ? v.integer(result) : v.float(result);
  };

const variable: Operator = (_args, { attributes }, scope) => {
  const identifier = attributes.identifier ?? '';
  const weight = attributes['weight-identifier'] ?? null;
  const [item, name] = identifier.split('.');
  if (scope.test && item && name) return scope.test.itemVariable(item, name, weight) ?? null;
  return scope.variables.get(identifier)?.value ?? null;
};

const collect =
  (cardinality: 'multiple' | 'ordered'): Operator =>
  (args) => {
    const values = args.filter(
      (arg): arg is v.SingleValue | v.ContainerValue =>
        arg !== null && !v.isNull(arg) && arg.cardinality !== 'record',
    );
    const [first] = values;
    if (!first) return null;
    const baseType = values.some((arg) => arg.baseType === 'float') ? 'float' : first.baseType;
    return v.container(cardinality, baseType, values.flatMap(v.scalarsOf));
  };

const and: Operator = (args) => {
  const truths = args.map(truth);
  if (truths.includes(false)) return v.boolean(false);
  return answer(truths.includes(null) ? null : true);
};
const or: Operator = (args) => {
  const truths = args.map(truth);
  if (truths.includes(true)) return v.boolean(true);
  return answer(truths.includes(null) ? null : false);
};

/** At least `min` and at most `max` true; NULL when the unknown ones decide (QTI 3.0, "any-n"). */
const anyN: Operator = (args, { attributes }, scope) => {
  const min = numberOrVariable(attributes.min, scope);
  const max = numberOrVariable(attributes.max, scope);
  if (min === null || max === null) return null;
  const truths = args.map(truth);
  const yes = truths.filter((one) => one === true).length;
  const unknown = truths.filter((one) => one === null).length;
  if (yes > max || yes + unknown < min) return v.boolean(false);
  return yes >= min && yes + unknown <= max ? v.boolean(true) : null;
};

/** `equal`: exact, absolute or relative; the tolerance is taken around the first value (QTI 3.0, "equal"). */
const equal: Operator = ([left, right], { attributes }, scope) => {
  const [x, y] = [n.numberOf(left), n.numberOf(right)];
  if (x === null || y === null) return null;
  const mode = attributes['tolerance-mode'] ?? 'exact';
  if (mode === 'exact') return v.boolean(v.floatsEqual(x, y));
  const [first, second] = (attributes.tolerance ?? '').trim().split(/\s+/);
  const t0 = numberOrVariable(first, scope);
  const t1 = second === undefined ? t0 : numberOrVariable(second, scope);
  if (t0 === null || t1 === null) return null;
  const ends = mode === 'relative' ? [x * (1 - t0 / 100), x * (1 + t1 / 100)] : [x - t0, x + t1];
  const [low, high] = [Math.min(...ends), Math.max(...ends)];
  const atLow = v.floatsEqual(y, low);
  const atHigh = v.floatsEqual(y, high);
  const lowIn = attributes['include-lower-bound'] !== 'false' ? y >= low || atLow : y > low && !atLow;
  const highIn = attributes['include-upper-bound'] !== 'false' ? y <= high || atHigh : y < high && !atHigh;
  return v.boolean(lowIn && highIn);
};

function rounded(x: number, attributes: Readonly<Record<string, string>>, scope: Scope): number | null {
  const figures = numberOrVariable(attributes.figures, scope);
  if (figures === null) return null;
  return attributes['rounding-mode'] === 'decimalPlaces'
    ? n.toDecimalPlaces(x, figures)
    : n.toSignificantFigures(x, figures);
}

const equalRounded: Operator = ([left, right], { attributes }, scope) => {
  const [x, y] = [n.numberOf(left), n.numberOf(right)];
  if (x === null || y === null) return null;
  const [a, b] = [rounded(x, attributes, scope), rounded(y, attributes, scope)];
  return a === null || b === null ? null : v.boolean(v.floatsEqual(a, b));
};

/** A bag in a bag; a list as an unbroken run of a list (QTI 3.0, "contains"). */
const contains: Operator = ([whole, part]) => {
  if (v.isNull(whole ?? null) || v.isNull(part ?? null) || !whole || !part) return null;
  if (whole.cardinality === 'record' || part.cardinality === 'record') return null;
  const { baseType } = whole;
  const [outer, inner] = [v.scalarsOf(whole), v.scalarsOf(part)];
  if (whole.cardinality === 'ordered') {
    const starts = outer.length - inner.length;
    for (let start = 0; start <= starts; start += 1) {
      if (inner.every((one, i) => v.scalarsEqual(one, outer[start + i] ?? '', baseType)))
        return v.boolean(true);
    }
    return v.boolean(false);
  }
  const rest = [...outer];
  return v.boolean(
    inner.every((one) => {
      const at = rest.findIndex((other) => v.scalarsEqual(one, other, baseType));
      if (at >= 0) rest.splice(at, 1);
      return at >= 0;
    }),
  );
};

const member: Operator = ([one, whole]) => {
  if (
    !one ||
    !whole ||
    v.isNull(one) ||
    v.isNull(whole) ||
    one.cardinality !== 'single' ||
    whole.cardinality === 'record'
  )
    return null;
  return v.boolean(v.scalarsOf(whole).some((other) => v.scalarsEqual(one.value, other, whole.baseType)));
};

const remove: Operator = ([one, whole]) => {
  if (!one || !whole || v.isNull(one) || v.isNull(whole) || one.cardinality !== 'single') return null;
  if (whole.cardinality === 'record' || whole.cardinality === 'single') return null;
  const { baseType, cardinality } = whole;
  return v.container(
    cardinality,
    baseType,
    whole.values.filter((other) => !v.scalarsEqual(one.value, other, baseType)),
  );
};

const index: Operator = ([list], { attributes }, scope) => {
  const at = numberOrVariable(attributes.n, scope);
  if (at === null || !list || list.cardinality !== 'ordered') return null;
  const scalar = list.values[at - 1];
  return scalar === undefined ? null : v.single(list.baseType, scalar);
};

const inside: Operator = ([points], { attributes }) => {
  if (!points || v.isNull(points) || !isShape(attributes.shape ?? '')) return null;
  const coords = parseCoords(attributes.coords ?? '');
  const shape = attributes.shape as Parameters<typeof isInside>[0];
  return v.boolean(
    v.scalarsOf(points).some((scalar) => {
      const [x, y] = Array.isArray(scalar) ? (scalar as readonly unknown[]) : [];
      return typeof x === 'number' && typeof y === 'number' && isInside(shape, coords, [x, y]);
    }),
  );
};

const repeat: Operator = (args, { attributes }, scope) => {
  const times = numberOrVariable(attributes['number-repeats'], scope);
  if (times === null || times < 1) return null;
  const once = collect('ordered')(args, EMPTY, scope);
  if (!once || once.cardinality !== 'ordered') return null;
  const copies = Math.min(times, Math.floor(10_000 / once.values.length));
  return v.container('ordered', once.baseType, Array.from({ length: copies }, () => once.values).flat());
};
const EMPTY: Expression = { op: '', attributes: {}, args: [], text: '', line: 0 };

const randomNumber =
  (whole: boolean): Operator =>
  (_args, { attributes }, scope) => {
    const min = numberOrVariable(attributes.min, scope) ?? 0;
    const max = numberOrVariable(attributes.max, scope) ?? min;
    if (max < min) return null;
    if (!whole) return v.float(min + scope.random() * (max - min));
    const step = Math.max(1, numberOrVariable(attributes.step, scope) ?? 1);
    return v.integer(min + step * Math.floor(scope.random() * (Math.floor((max - min) / step) + 1)));
  };

const pickOne: Operator = ([from], _expression, scope) => {
  if (!from || v.isNull(from) || from.cardinality === 'record') return null;
  const scalars = v.scalarsOf(from);
  const scalar = scalars[Math.floor(scope.random() * scalars.length)];
  return scalar === undefined ? null : v.single(from.baseType, scalar);
};

const wholeDivision =
  (compute: (a: number, b: number) => number): Operator =>
  ([left, right]) => {
    const [a, b] = [n.numberOf(left), n.numberOf(right)];
    return a === null || b === null || b === 0 ? null : v.integer(compute(a, b));
  };

const oneNumber =
  (compute: (x: number) => number, result: 'integer' | 'float'): Operator =>
  ([arg]) => {
    const x = n.numberOf(arg);
    if (x === null) return null;
    return result === 'integer' ? v.integer(compute(x)) : v.float(compute(x));
  };

const stringTest =
  (compute: (a: string, b: string) => boolean): Operator =>
  ([left, right], { attributes }) => {
    const [a, b] = [text(left), text(right)];
    if (a === null || b === null) return null;
    const fold = attributes['case-sensitive'] === 'false' ? (s: string) => s.toLowerCase() : (s: string) => s;
    return v.boolean(compute(fold(a), fold(b)));
  };

/** Every expression of the standard. NULL rules as each names them; anything unreadable is NULL. */
const OPERATORS: Readonly<Record<string, Operator>> = {
  'base-value': (_args, { attributes, text: written }) => {
    const baseType = (v.BASE_TYPES as readonly string[]).includes(attributes['base-type'] ?? '')
      ? (attributes['base-type'] as BaseType)
      : 'string';
    const scalar: Scalar | undefined = v.parseScalar(written, baseType);
    return scalar === undefined || scalar === '' ? null : v.single(baseType, scalar);
  },
  variable,
  default: (_args, { attributes }, scope) =>
    scope.variables.get(attributes.identifier ?? '')?.defaultValue ?? null,
  correct: (_args, { attributes }, scope) =>
    scope.variables.get(attributes.identifier ?? '')?.correctResponse ?? null,
  'map-response': (_args, { attributes }, scope) => {
    const found = scope.variables.get(attributes.identifier ?? '');
    return found?.mapping ? v.float(mapValue(found.value, found.mapping)) : null;
  },
  'map-response-point': (_args, { attributes }, scope) => {
    const found = scope.variables.get(attributes.identifier ?? '');
    return found?.areaMapping ? v.float(mapPoints(found.value, found.areaMapping)) : null;
  },
  null: () => null,
  'random-integer': randomNumber(true),
  'random-float': randomNumber(false),
  'math-constant': (_args, { attributes }) =>
    v.float(attributes.name === 'e' ? Math.E : attributes.name === 'pi' ? Math.PI : NaN),
  multiple: collect('multiple'),
  ordered: collect('ordered'),
  'container-size': ([arg]) =>
    v.integer(
      arg && arg.cardinality === 'record' ? Object.keys(arg.fields).length : v.scalarsOf(arg ?? null).length,
    ),
  'is-null': ([arg]) => v.boolean(v.isNull(arg ?? null)),
  index,
  'field-value': ([arg], { attributes }) =>
    arg && arg.cardinality === 'record' ? (arg.fields[attributes['field-identifier'] ?? ''] ?? null) : null,
  random: pickOne,
  member,
  delete: remove,
  contains,
  substring: stringTest((part, whole) => whole.includes(part)),
  not: ([arg]) => {
    const known = truth(arg);
    return answer(known === null ? null : !known);
  },
  and,
  or,
  'any-n': anyN,
  match: ([left, right]) =>
    v.isNull(left ?? null) || v.isNull(right ?? null)
      ? null
      : v.boolean(v.valuesEqual(left ?? null, right ?? null)),
  'string-match': ([left, right], expression, scope) =>
    expression.attributes.substring === 'true'
      ? stringTest((a, b) => a.includes(b))([left ?? null, right ?? null], expression, scope)
      : stringTest((a, b) => a === b)([left ?? null, right ?? null], expression, scope),
  'pattern-match': ([arg], { attributes }, scope) => {
    const subject = text(arg);
    const written = attributes.pattern ?? '';
    const pattern = text(scope.variables.get(written)?.value) ?? written;
    return subject === null ? null : answer(matchesPattern(subject, pattern));
  },
  equal,
  'equal-rounded': equalRounded,
  inside,
  lt: both((a, b) => a < b && !v.floatsEqual(a, b)),
  gt: both((a, b) => a > b && !v.floatsEqual(a, b)),
  lte: both((a, b) => a <= b || v.floatsEqual(a, b)),
  gte: both((a, b) => a >= b || v.floatsEqual(a, b)),
  'duration-lt': both((a, b) => a < b),
  'duration-gte': both((a, b) => a >= b),
  sum: fold((xs) => xs.reduce((a, b) => a + b, 0)),
  product: fold((xs) => xs.reduce((a, b) => a * b, 1)),
  subtract: fold(([a = NaN, b = NaN]) => a - b),
  divide: ([left, right]) => {
    const [a, b] = [n.numberOf(left), n.numberOf(right)];
    return a === null || b === null || b === 0 ? null : v.float(a / b);
  },
  power: ([left, right]) => {
    const [a, b] = [n.numberOf(left), n.numberOf(right)];
    return a === null || b === null ? null : v.float(Math.pow(a, b));
  },
  'integer-divide': wholeDivision((a, b) => Math.floor(a / b)),
  'integer-modulus': wholeDivision((a, b) => a - b * Math.floor(a / b)),
  truncate: oneNumber(Math.trunc, 'integer'),
  round: oneNumber(n.roundHalfUp, 'integer'),
  'round-to': ([arg], { attributes }, scope) => {
    const x = n.numberOf(arg);
    const result = x === null ? null : rounded(x, attributes, scope);
    return result === null ? null : v.float(result);
  },
  'integer-to-float': oneNumber((x) => x, 'float'),
  min: fold((xs) => Math.min(...xs)),
  max: fold((xs) => Math.max(...xs)),
  gcd: fold((xs) => xs.reduce(n.greatestCommonDivisor)),
  lcm: fold((xs) =>
    xs.reduce((a, b) => (a === 0 || b === 0 ? 0 : Math.abs(a * b) / n.greatestCommonDivisor(a, b))),
  ),
  repeat,
  'math-operator': (args, { attributes }) => {
    const [x, y] = [n.numberOf(args[0]), n.numberOf(args[1])];
    if (x === null || (args.length > 1 && y === null)) return null;
    const result = n.mathOperator(attributes.name ?? '', x, y);
    return ['floor', 'ceil'].includes(attributes.name ?? '') ? v.integer(result) : v.float(result);
  },
  'stats-operator': (args, { attributes }) => {
    const xs = n.numbersOf(args);
    return !xs || xs.length === 0 ? null : v.float(n.statistic(attributes.name ?? '', xs));
  },
  'custom-operator': (args, { attributes }) => customOperator(attributes, args),
};

/**
 * The value of an expression. Never throws: what cannot be computed (a division by zero, a wrong type) is NULL, as the
 * standard says.
 */
export function evaluate(expression: Expression, scope: Scope): Value {
  const test = testExpression(expression, scope);
  if (test !== undefined) return test;
  const operator = OPERATORS[expression.op];
  if (!operator) return null;
  return operator(
    expression.args.map((arg) => evaluate(arg, scope)),
    expression,
    scope,
  );
}

/** Whether a condition holds; NULL counts as false (QTI 3.0, "response-if"). */
export function holds(expression: Expression, scope: Scope): boolean {
  return truth(evaluate(expression, scope)) === true;
}
