import { own } from '../own';
import * as v from '../content/value';
import type { BaseType, Scalar, Value } from '../content/value';
import { isInside, isShape, parseCoords } from '../geometry/areas';
import { ARITHMETIC, rounded } from './arithmetic';
import { CONTAINERS } from './containers';
import type { Scope } from './context';
import { customOperator } from './custom';
import { mapPoints, mapValue } from './mapping';
import * as n from './numbers';
import { matchesPattern } from './pattern';
import { answer, isFalse, isTrue, numberOrVariable, text, truth, type Operator } from './operator';
import type { Expression } from '../item/program';
import { testExpression } from './testExpressions';

/** Whether two numbers are one: whole numbers by base type exactly, floats within the relative 1e-9. */
const sameNumber = (left: Value, right: Value, a: number, b: number): boolean =>
  n.allIntegers([left, right]) ? a === b : v.floatsEqual(a, b);

const both =
  (compare: (a: number, b: number, same: boolean) => boolean): Operator =>
  ([left = null, right = null]) => {
    const [a, b] = [n.numberOf(left), n.numberOf(right)];
    return a === null || b === null ? null : v.boolean(compare(a, b, sameNumber(left, right, a, b)));
  };

const variable: Operator = (_args, { attributes }, scope) => {
  const identifier = attributes.identifier ?? '';
  const weight = attributes['weight-identifier'] ?? null;
  const known = scope.variables.get(identifier);
  const dot = identifier.lastIndexOf('.');
  if (known || !scope.test || dot < 0) return known?.value ?? null;
  return scope.test.itemVariable(identifier.slice(0, dot), identifier.slice(dot + 1), weight) ?? null;
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
const equal: Operator = ([left = null, right = null], { attributes }, scope) => {
  const [x, y] = [n.numberOf(left), n.numberOf(right)];
  if (x === null || y === null) return null;
  const mode = attributes['tolerance-mode'] ?? 'exact';
  if (mode === 'exact') return v.boolean(sameNumber(left, right, x, y));
  const [first, second] = (attributes.tolerance ?? '').trim().split(/\s+/);
  const t0 = numberOrVariable(first, scope);
  const t1 = second === undefined ? t0 : numberOrVariable(second, scope);
  if (t0 === null || t1 === null) return null;
  const ends = mode === 'relative' ? [x * (1 - t0 / 100), x * (1 + t1 / 100)] : [x - t0, x + t1];
  const [low, high] = [Math.min(...ends), Math.max(...ends)];
  const atLow = v.floatsEqual(y, low);
  const atHigh = v.floatsEqual(y, high);
  const lowIn = !isFalse(attributes['include-lower-bound']) ? y >= low || atLow : y > low && !atLow;
  const highIn = !isFalse(attributes['include-upper-bound']) ? y <= high || atHigh : y < high && !atHigh;
  return v.boolean(lowIn && highIn);
};

const equalRounded: Operator = ([left, right], { attributes }, scope) => {
  const [x, y] = [n.numberOf(left), n.numberOf(right)];
  if (x === null || y === null) return null;
  const [a, b] = [rounded(x, attributes, scope), rounded(y, attributes, scope)];
  return a === null || b === null ? null : v.boolean(v.floatsEqual(a, b));
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

const stringTest =
  (compute: (a: string, b: string) => boolean): Operator =>
  ([left, right], { attributes }) => {
    const [a, b] = [text(left), text(right)];
    if (a === null || b === null) return null;
    const fold = isFalse(attributes['case-sensitive']) ? (s: string) => s.toLowerCase() : (s: string) => s;
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
  ...CONTAINERS,
  ...ARITHMETIC,
  'is-null': ([arg]) => v.boolean(v.isNull(arg ?? null)),
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
    isTrue(expression.attributes.substring)
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
  lt: both((a, b, same) => a < b && !same),
  gt: both((a, b, same) => a > b && !same),
  lte: both((a, b, same) => a <= b || same),
  gte: both((a, b, same) => a >= b || same),
  'duration-lt': both((a, b) => a < b),
  'duration-gte': both((a, b) => a >= b),
  'custom-operator': (args, { attributes }) => customOperator(attributes, args),
};

/**
 * The value of an expression. Never throws: what cannot be computed (a division by zero, a wrong type) is NULL, as the
 * standard says.
 */
export function evaluate(expression: Expression, scope: Scope): Value {
  const test = testExpression(expression, scope);
  if (test !== undefined) return test;
  const operator = own(OPERATORS, expression.op);
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
