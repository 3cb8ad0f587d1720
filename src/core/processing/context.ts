import type { AreaMapping, Mapping, MatchTable, InterpolationTable } from '../content/declarations';
import type { BaseType, Cardinality, Value } from '../content/value';
import type { Step } from './trace';

/** A variable as processing sees it. */
export interface Variable {
  readonly kind: 'response' | 'outcome' | 'template' | 'context';
  readonly cardinality: Cardinality;
  readonly baseType: BaseType | null;
  value: Value;
  defaultValue: Value;
  correctResponse: Value;
  readonly mapping: Mapping | null;
  readonly areaMapping: AreaMapping | null;
  readonly lookupTable: MatchTable | InterpolationTable | null;
}

/** Values of the items of a test, for outcome processing. */
export interface TestScope {
  /** Values of an outcome over the items that fit, weights applied when one is named. */
  collect(select: {
    readonly variable: string;
    readonly section: string | null;
    readonly include: readonly string[];
    readonly exclude: readonly string[];
    readonly weight: string | null;
    readonly kind: 'value' | 'maximum' | 'minimum';
  }): readonly Value[];
  count(
    what: 'correct' | 'incorrect' | 'responded' | 'presented' | 'selected',
    select: {
      readonly section: string | null;
      readonly include: readonly string[];
      readonly exclude: readonly string[];
    },
  ): number;
  /** `ITEM.VARIABLE` in a test. */
  itemVariable(item: string, variable: string, weight: string | null): Value | undefined;
}

/** What evaluation may use. Randomness comes in as an argument, so that a run can be replayed. */
export interface Scope {
  readonly variables: Map<string, Variable>;
  /** In [0, 1). */
  readonly random: () => number;
  readonly test?: TestScope;
  /** Is told every step, where somebody wants to see them. */
  readonly trace?: (step: Step) => void;
}
