import type { BaseType, Cardinality, Scalar, Value } from './value';

export interface MapEntry {
  readonly key: Scalar;
  readonly value: number;
  readonly caseSensitive: boolean;
}
/** `qti-mapping`: what each value is worth, and the limits of the sum. */
export interface Mapping {
  readonly entries: readonly MapEntry[];
  readonly defaultValue: number;
  readonly lowerBound: number | null;
  readonly upperBound: number | null;
}
export type ShapeName = 'default' | 'circle' | 'rect' | 'poly' | 'ellipse';
export interface AreaMapEntry {
  readonly shape: ShapeName;
  readonly coords: readonly number[];
  readonly value: number;
}
export interface AreaMapping {
  readonly entries: readonly AreaMapEntry[];
  readonly defaultValue: number;
  readonly lowerBound: number | null;
  readonly upperBound: number | null;
}

/** What every declared variable has; a context variable (QTI 3.0, "context declaration") has no more. */
export interface Declaration {
  readonly identifier: string;
  readonly cardinality: Cardinality;
  /** Absent only for records. */
  readonly baseType: BaseType | null;
  readonly defaultValue: Value;
}
export interface ResponseDeclaration extends Declaration {
  /** Numbers are typed with a comma before the tenths: the custom of the item's language. */
  readonly decimal?: ',';
  readonly correctResponse: Value;
  readonly mapping: Mapping | null;
  readonly areaMapping: AreaMapping | null;
}
export interface MatchTable {
  readonly kind: 'match';
  readonly rows: readonly { readonly source: number; readonly target: Value }[];
  readonly defaultValue: Value;
}
export interface InterpolationTable {
  readonly kind: 'interpolation';
  readonly rows: readonly {
    readonly source: number;
    readonly includeBoundary: boolean;
    readonly target: Value;
  }[];
  readonly defaultValue: Value;
}
export interface OutcomeDeclaration extends Declaration {
  readonly normalMaximum: number | null;
  readonly normalMinimum: number | null;
  /** From which value on what it measures is mastered; not there in what was read before it was. */
  readonly masteryValue?: number;
  /** A person (or another machine) sets this outcome, not response processing. */
  readonly externalScored: 'human' | 'externalMachine' | null;
  readonly lookupTable: MatchTable | InterpolationTable | null;
}
export interface TemplateDeclaration extends Declaration {
  readonly paramVariable: boolean;
  readonly mathVariable: boolean;
}
