import type { AreaMapping, MapEntry, Mapping } from '../content/declarations';
import { isNull, scalarsEqual, scalarsOf, type BaseType, type Scalar, type Value } from '../content/value';
import { isInside } from '../geometry/areas';

const clamp = (x: number, low: number | null, high: number | null): number =>
  Math.min(high ?? Infinity, Math.max(low ?? -Infinity, x));

function isKey(entry: MapEntry, scalar: Scalar, baseType: BaseType): boolean {
  if (!entry.caseSensitive && typeof entry.key === 'string' && typeof scalar === 'string') {
    return entry.key.toLowerCase() === scalar.toLowerCase();
  }
  return scalarsEqual(entry.key, scalar, baseType);
}

/**
 * `map-response`: the sum of what the values are worth, each different value once, within the bounds; no response is
 * worth nothing (QTI 3.0, "mapping").
 */
export function mapValue(value: Value, mapping: Mapping): number {
  const baseType = value !== null && value.cardinality !== 'record' ? value.baseType : 'string';
  const counted: Scalar[] = [];
  let sum = 0;
  for (const scalar of isNull(value) ? [] : scalarsOf(value)) {
    if (counted.some((other) => scalarsEqual(other, scalar, baseType))) continue;
    counted.push(scalar);
    sum += mapping.entries.find((entry) => isKey(entry, scalar, baseType))?.value ?? mapping.defaultValue;
  }
  return clamp(sum, mapping.lowerBound, mapping.upperBound);
}

/** `map-response-point`: each area counts once however many points lie in it; a point in none has the default value. */
export function mapPoints(value: Value, mapping: AreaMapping): number {
  const used = new Set<number>();
  let sum = 0;
  for (const scalar of scalarsOf(value)) {
    const [x, y] = Array.isArray(scalar) ? (scalar as readonly unknown[]) : [];
    if (typeof x !== 'number' || typeof y !== 'number') continue;
    const hit = mapping.entries.findIndex((entry) => isInside(entry.shape, entry.coords, [x, y]));
    const entry = mapping.entries[hit];
    if (!entry) sum += mapping.defaultValue;
    else if (!used.has(hit)) {
      used.add(hit);
      sum += entry.value;
    }
  }
  return clamp(sum, mapping.lowerBound, mapping.upperBound);
}

/** The most a mapping can give: the best single key, or the sum of the best `choices` positive ones. */
export function mappingMaximum(mapping: Mapping | AreaMapping, isSingle: boolean, choices: number): number {
  const worths = mapping.entries.map((entry) => entry.value).sort((a, b) => b - a);
  const best = isSingle
    ? Math.max(mapping.defaultValue, ...worths)
    : worths
        .filter((worth) => worth > 0)
        .slice(0, choices > 0 ? choices : undefined)
        .reduce((sum, worth) => sum + worth, 0);
  return clamp(best, mapping.lowerBound, mapping.upperBound);
}
