import type {
  AreaMapping,
  Declaration,
  InterpolationTable,
  Mapping,
  MatchTable,
  OutcomeDeclaration,
  ResponseDeclaration,
  TemplateDeclaration,
} from '../content/declarations';
import { parseScalar, single, type BaseType, type Value } from '../content/value';
import { isShape, parseCoords } from '../geometry/areas';
import type { Reporter } from '../xml/problem';
import { isBaseType, isCardinality, readValues } from './readValue';
import { booleanAttribute, childOf, elementsOf, numberAttribute, type XmlElement } from '../xml/xml';

/** Reads what every declaration has; a `qti-context-declaration` has no more. */
export function readDeclaration(element: XmlElement, report: Reporter): Declaration | null {
  const { identifier, cardinality, 'base-type': baseType } = element.attributes;
  if (!identifier) {
    report.error('declaration', element.line, `${element.name} has no identifier`);
    return null;
  }
  if (!isCardinality(cardinality)) {
    report.error('declaration', element.line, `"${cardinality ?? ''}" is not a cardinality (${identifier})`);
    return null;
  }
  if (cardinality !== 'record' && !isBaseType(baseType)) {
    report.error('declaration', element.line, `"${baseType ?? ''}" is not a base type (${identifier})`);
    return null;
  }
  const type = cardinality === 'record' || !isBaseType(baseType) ? null : baseType;
  const standard = childOf(element, 'qti-default-value');
  return {
    identifier,
    cardinality,
    baseType: type,
    defaultValue: standard ? readValues(standard, cardinality, type, report) : null,
  };
}

const bound = (element: XmlElement, name: string): number | null => {
  const value = numberAttribute(element, name, NaN);
  return Number.isNaN(value) ? null : value;
};

function readMapping(element: XmlElement, baseType: BaseType | null, report: Reporter): Mapping {
  return {
    defaultValue: numberAttribute(element, 'default-value', 0),
    lowerBound: bound(element, 'lower-bound'),
    upperBound: bound(element, 'upper-bound'),
    entries: elementsOf(element, 'qti-map-entry').flatMap((entry) => {
      const key = parseScalar(entry.attributes['map-key'] ?? '', baseType ?? 'string');
      const value = bound(entry, 'mapped-value');
      if (key === undefined || value === null) {
        report.error(
          'mapping',
          entry.line,
          'a map entry needs a map-key of the base type and a numeric mapped-value',
        );
        return [];
      }
      return [{ key, value, caseSensitive: booleanAttribute(entry, 'case-sensitive', true) }];
    }),
  };
}

function readAreaMapping(element: XmlElement, report: Reporter): AreaMapping {
  return {
    defaultValue: numberAttribute(element, 'default-value', 0),
    lowerBound: bound(element, 'lower-bound'),
    upperBound: bound(element, 'upper-bound'),
    entries: elementsOf(element, 'qti-area-map-entry').flatMap((entry) => {
      const shape = entry.attributes.shape ?? '';
      const coords = parseCoords(entry.attributes.coords ?? '');
      const value = bound(entry, 'mapped-value');
      if (!isShape(shape) || coords.some(Number.isNaN) || value === null) {
        report.error(
          'mapping',
          entry.line,
          'an area map entry needs a shape, numeric coords and a mapped-value',
        );
        return [];
      }
      return [{ shape, coords, value }];
    }),
  };
}

export function readResponseDeclaration(element: XmlElement, report: Reporter): ResponseDeclaration | null {
  const head = readDeclaration(element, report);
  if (!head) return null;
  const correct = childOf(element, 'qti-correct-response');
  const mapping = childOf(element, 'qti-mapping');
  const areas = childOf(element, 'qti-area-mapping');
  return {
    ...head,
    correctResponse: correct ? readValues(correct, head.cardinality, head.baseType, report) : null,
    mapping: mapping ? readMapping(mapping, head.baseType, report) : null,
    areaMapping: areas ? readAreaMapping(areas, report) : null,
  };
}

function readLookupTable(
  element: XmlElement,
  baseType: BaseType | null,
): MatchTable | InterpolationTable | null {
  const target = (text: string | undefined): Value => {
    const scalar = text === undefined ? undefined : parseScalar(text, baseType ?? 'float');
    return scalar === undefined ? null : single(baseType ?? 'float', scalar);
  };
  const match = childOf(element, 'qti-match-table');
  if (match) {
    return {
      kind: 'match',
      defaultValue: target(match.attributes['default-value']),
      rows: elementsOf(match, 'qti-match-table-entry').map((row) => ({
        source: numberAttribute(row, 'source-value', NaN),
        target: target(row.attributes['target-value']),
      })),
    };
  }
  const interpolation = childOf(element, 'qti-interpolation-table');
  if (!interpolation) return null;
  return {
    kind: 'interpolation',
    defaultValue: target(interpolation.attributes['default-value']),
    rows: elementsOf(interpolation, 'qti-interpolation-table-entry').map((row) => ({
      source: numberAttribute(row, 'source-value', NaN),
      includeBoundary: booleanAttribute(row, 'include-boundary', true),
      target: target(row.attributes['target-value']),
    })),
  };
}

export function readOutcomeDeclaration(element: XmlElement, report: Reporter): OutcomeDeclaration | null {
  const head = readDeclaration(element, report);
  if (!head) return null;
  const external = element.attributes['external-scored'];
  const mastery = bound(element, 'mastery-value');
  return {
    ...head,
    normalMaximum: bound(element, 'normal-maximum'),
    normalMinimum: bound(element, 'normal-minimum'),
    ...(mastery !== null && { masteryValue: mastery }),
    externalScored: external === 'human' || external === 'externalMachine' ? external : null,
    lookupTable: readLookupTable(element, head.baseType),
  };
}

export function readTemplateDeclaration(element: XmlElement, report: Reporter): TemplateDeclaration | null {
  const head = readDeclaration(element, report);
  return (
    head && {
      ...head,
      paramVariable: booleanAttribute(element, 'param-variable', false),
      mathVariable: booleanAttribute(element, 'math-variable', false),
    }
  );
}
