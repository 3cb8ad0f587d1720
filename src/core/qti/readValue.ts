import {
  BASE_TYPES,
  CARDINALITIES,
  container,
  parseScalar,
  single,
  type BaseType,
  type Cardinality,
  type Scalar,
  type SingleValue,
  type Value,
} from '../content/value';
import type { Reporter } from '../xml/problem';
import { elementsOf, textOf, type XmlElement } from '../xml/xml';

export function isBaseType(text: string | undefined): text is BaseType {
  return (BASE_TYPES as readonly string[]).includes(text ?? '');
}
export function isCardinality(text: string | undefined): text is Cardinality {
  return (CARDINALITIES as readonly string[]).includes(text ?? '');
}

function readScalarText(
  text: string,
  baseType: BaseType,
  line: number,
  report: Reporter,
): Scalar | undefined {
  const scalar = parseScalar(baseType === 'string' ? text : text.trim(), baseType);
  if (scalar === undefined)
    report.error('bad-value', line, `"${text.trim().slice(0, 60)}" is not a value of type ${baseType}`);
  return scalar;
}

/** The `qti-value` children of a default value, a correct response or a row. Problems are reported, never thrown. */
export function readValues(
  parent: XmlElement,
  cardinality: Cardinality,
  baseType: BaseType | null,
  report: Reporter,
): Value {
  const values = elementsOf(parent, 'qti-value');
  if (cardinality === 'record') {
    const fields = values.map((element): [string, SingleValue | null] => {
      const name = element.attributes['field-identifier'] ?? '';
      const fieldType = isBaseType(element.attributes['base-type'])
        ? element.attributes['base-type']
        : 'string';
      const scalar = readScalarText(textOf(element), fieldType, element.line, report);
      return [name, scalar === undefined ? null : single(fieldType, scalar)];
    });
    return fields.length > 0 ? { cardinality: 'record', fields: Object.fromEntries(fields) } : null;
  }
  if (baseType === null) return null;
  const scalars = values
    .map((element) => readScalarText(textOf(element), baseType, element.line, report))
    .filter((scalar) => scalar !== undefined);
  if (cardinality !== 'single') return container(cardinality, baseType, scalars);
  const [first] = scalars;
  if (values.length > 1)
    report.error('bad-value', parent.line, `one value is allowed here, ${values.length} are given`);
  return first === undefined ? null : single(baseType, first);
}
