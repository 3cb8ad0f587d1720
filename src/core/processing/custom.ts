import { own } from '../own';
import { sameGraph, readGraph } from '../geometry/graphs';
import { sameIntervals } from '../geometry/intervals';
import { isFractionShaded, isFullRectangle } from '../geometry/partitions';
import { propertiesOf, type PolygonProperties } from '../geometry/polygons';
import { equivalent, FORMS, type Form } from '../math';
import * as v from '../content/value';
import type { Value } from '../content/value';

type CustomOperator = (args: readonly Value[], attributes: Readonly<Record<string, string>>) => Value;

const textOf = (value: Value): string =>
  value !== null && value.cardinality === 'single' ? v.formatScalar(value.value) : '';

const textsOf = (value: Value): string[] => v.scalarsOf(value).map(v.formatScalar);
const numberIn = (attributes: Readonly<Record<string, string>>, name: string): number | null => {
  const text = attributes[name];
  const value = text === undefined || text.trim() === '' ? NaN : Number(text);
  return Number.isFinite(value) ? value : null;
};

/** Which attribute of `able.graph.shape` asks for which property. */
const SHAPE_PROPERTIES: Readonly<Record<string, keyof PolygonProperties>> = {
  'data-sides': 'sides',
  'data-area': 'area',
  'data-perimeter': 'perimeter',
  'data-right-angles': 'rightAngles',
  'data-parallel-pairs': 'parallelPairs',
  'data-equal-sides': 'equalSides',
  'data-symmetry-lines': 'symmetryLines',
};

/** The one polygon drawn has every property named. */
function hasShape(texts: readonly string[], attributes: Readonly<Record<string, string>>): boolean {
  const polygons = readGraph(texts)?.filter((object) => object.kind === 'POLYGON') ?? [];
  const [polygon] = polygons;
  const properties = polygon && polygons.length === 1 ? propertiesOf(polygon.points) : null;
  if (!properties) return false;
  return Object.entries(SHAPE_PROPERTIES).every(([attribute, property]) => {
    if (attributes[attribute] === undefined) return true;
    const wanted = numberIn(attributes, attribute);
    return wanted !== null && Math.abs(wanted - properties[property]) <= 1e-9 * Math.max(1, Math.abs(wanted));
  });
}

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
  'able.interval.equal': ([answer = null, reference = null]) =>
    v.boolean(sameIntervals(textOf(answer), textOf(reference))),
  'able.graph.equal': ([answer = null, reference = null], attributes) =>
    v.boolean(
      sameGraph(
        textsOf(answer),
        textsOf(reference),
        Math.max(0, numberIn(attributes, 'data-tolerance') ?? 0),
      ),
    ),
  'able.graph.shape': ([answer = null], attributes) => v.boolean(hasShape(textsOf(answer), attributes)),
  'able.partition.equal': ([answer = null, reference = null], attributes) =>
    v.boolean(
      isFractionShaded(
        v.scalarsOf(answer).map((scalar) => scalar === true),
        textOf(reference),
        attributes['data-parts'] === 'exact' ? 'exact' : 'equivalent',
      ),
    ),
  'able.cells.rectangle': ([answer = null], attributes) =>
    v.boolean(isFullRectangle(textsOf(answer), numberIn(attributes, 'data-count') ?? -1)),
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
export const isCustomOperator = (name: string): boolean => Object.hasOwn(OPERATORS, name);

/** The value of a custom operator; NULL for NULL children and for classes that are not ours. */
export function customOperator(attributes: Readonly<Record<string, string>>, args: readonly Value[]): Value {
  const operator = own(OPERATORS, attributes.class ?? '');
  if (!operator || args.some((arg) => v.isNull(arg))) return null;
  return operator(args, attributes);
}
