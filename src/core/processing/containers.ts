import { own } from '../own';
import * as v from '../content/value';
import { numberOrVariable, type Operator } from './operator';
import type { Expression } from '../item/program';

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

const repeat: Operator = (args, { attributes }, scope) => {
  const times = numberOrVariable(attributes['number-repeats'], scope);
  if (times === null || times < 1) return null;
  const once = collect('ordered')(args, EMPTY, scope);
  if (!once || once.cardinality !== 'ordered') return null;
  const copies = Math.min(times, Math.floor(10_000 / once.values.length));
  return v.container('ordered', once.baseType, Array.from({ length: copies }, () => once.values).flat());
};
const EMPTY: Expression = { op: '', attributes: {}, args: [], text: '', line: 0 };

const pickOne: Operator = ([from], _expression, scope) => {
  if (!from || v.isNull(from) || from.cardinality === 'record') return null;
  const scalars = v.scalarsOf(from);
  const scalar = scalars[Math.floor(scope.random() * scalars.length)];
  return scalar === undefined ? null : v.single(from.baseType, scalar);
};

/** Expressions over containers and records (QTI 3.0, "Expressions"). */
export const CONTAINERS: Readonly<Record<string, Operator>> = {
  multiple: collect('multiple'),
  ordered: collect('ordered'),
  'container-size': ([arg]) =>
    v.integer(
      arg && arg.cardinality === 'record' ? Object.keys(arg.fields).length : v.scalarsOf(arg ?? null).length,
    ),
  index,
  'field-value': ([arg], { attributes }) =>
    arg && arg.cardinality === 'record'
      ? (own(arg.fields, attributes['field-identifier'] ?? '') ?? null)
      : null,
  random: pickOne,
  member,
  delete: remove,
  contains,
  repeat,
};
