/**
 * Response, outcome and template processing as data: the rules and expressions of QTI 3.0, read from XML once and
 * checked, then evaluated for each response.
 */
export interface Expression {
  /** Element name without `qti-`: `match`, `base-value`, … */
  readonly op: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly args: readonly Expression[];
  /** Text of `base-value`. */
  readonly text: string;
  readonly line: number;
}

export type Rule =
  | { readonly rule: 'condition'; readonly branches: readonly Branch[] }
  | {
      readonly rule:
        'set-outcome-value' | 'set-template-value' | 'set-correct-response' | 'set-default-value';
      readonly identifier: string;
      readonly expression: Expression;
    }
  | { readonly rule: 'lookup-outcome-value'; readonly identifier: string; readonly expression: Expression }
  | { readonly rule: 'template-constraint'; readonly expression: Expression }
  | { readonly rule: 'fragment'; readonly rules: readonly Rule[] }
  | { readonly rule: 'exit' };

/** `if` and `else-if` have a test; `else` has none. */
export interface Branch {
  readonly test: Expression | null;
  readonly rules: readonly Rule[];
}
