import * as v from '../content/value';
import type { Value } from '../content/value';
import type { Scope, Variable } from './context';
import { evaluate, holds } from './evaluate';
import { numberOf } from './numbers';
import type { Expression, Rule } from '../item/program';
import { expressionWords, valueWords } from './trace';

/** Rules one run may carry out; a program in a loop of fragments cannot hang the server. */
const MAX_RULES = 20_000;

/** A value as the declared type wants it: an integer where a float is wanted, one value where a list is, … */
export function coerce(value: Value, variable: Pick<Variable, 'cardinality' | 'baseType'>): Value {
  if (v.isNull(value)) return null;
  if (value.cardinality === 'record' || variable.cardinality === 'record') {
    return value.cardinality === variable.cardinality ? value : null;
  }
  const baseType = variable.baseType ?? value.baseType;
  const convert = (scalar: v.Scalar): v.Scalar | undefined => {
    if (baseType === value.baseType) return scalar;
    if (baseType === 'integer' && typeof scalar === 'number') return Math.trunc(scalar);
    if ((baseType === 'float' || baseType === 'duration') && typeof scalar === 'number') return scalar;
    return v.parseScalar(v.formatScalar(scalar), baseType);
  };
  const scalars = v.scalarsOf(value).map(convert);
  const known = scalars.filter((scalar): scalar is v.Scalar => scalar !== undefined);
  if (known.length < scalars.length) return null;
  if (variable.cardinality === 'single') {
    const [only] = known;
    return only !== undefined && known.length === 1 ? v.single(baseType, only) : null;
  }
  return v.container(variable.cardinality, baseType, known);
}

/** The target of a lookup table for a number (QTI 3.0, "lookup-outcome-value"). */
function lookUp(variable: Variable, source: number | null): Value {
  const table = variable.lookupTable;
  if (!table) return null;
  if (source === null) return table.defaultValue;
  const row =
    table.kind === 'match'
      ? table.rows.find(({ source: wanted }) =>
          Number.isInteger(wanted) && Number.isInteger(source)
            ? wanted === source
            : v.floatsEqual(wanted, source),
        )
      : table.rows.find((one) => (one.includeBoundary ? source >= one.source : source > one.source));
  return row ? row.target : table.defaultValue;
}

class Exit extends Error {}
class Broken extends Error {}

/**
 * Carries out rules on the variables of a scope. Stops at an exit rule, and at a template constraint that does not hold.
 * @returns false when a constraint was broken
 */
export function runRules(rules: readonly Rule[], scope: Scope): boolean {
  let carried = 0;
  const run = (list: readonly Rule[]): void => {
    for (const rule of list) {
      carried += 1;
      if (carried > MAX_RULES) throw new Exit();
      carryOut(rule);
    }
  };
  const isTaken = (test: Expression | null): boolean => {
    if (test === null) {
      scope.trace?.({ does: 'else', line: 0 });
      return true;
    }
    const taken = holds(test, scope);
    scope.trace?.({ does: 'if', expression: expressionWords(test), holds: taken, line: test.line });
    return taken;
  };
  const tellSet = (
    { identifier, expression }: { identifier: string; expression: Expression },
    value: Value,
  ): void =>
    scope.trace?.({
      does: 'set',
      identifier,
      expression: expressionWords(expression),
      value: valueWords(value),
      line: expression.line,
    });
  const carryOut = (rule: Rule): void => {
    switch (rule.rule) {
      case 'exit':
        scope.trace?.({ does: 'exit', line: 0 });
        throw new Exit();
      case 'fragment':
        run(rule.rules);
        return;
      case 'condition': {
        const branch = rule.branches.find(({ test }) => isTaken(test));
        if (branch) run(branch.rules);
        return;
      }
      case 'template-constraint':
        if (!holds(rule.expression, scope)) throw new Broken();
        return;
      case 'lookup-outcome-value': {
        const variable = scope.variables.get(rule.identifier);
        if (!variable) return;
        variable.value = lookUp(variable, numberOf(evaluate(rule.expression, scope)));
        tellSet(rule, variable.value);
        return;
      }
      default: {
        const variable = scope.variables.get(rule.identifier);
        if (!variable) return;
        const value = coerce(evaluate(rule.expression, scope), variable);
        tellSet(rule, value);
        if (rule.rule === 'set-correct-response') variable.correctResponse = value;
        else if (rule.rule === 'set-default-value') {
          variable.defaultValue = value;
          // Template processing runs before anything is answered: an outcome begins with its default.
          if (variable.kind === 'outcome') variable.value = value;
        } else variable.value = value;
      }
    }
  };
  try {
    run(rules);
  } catch (error) {
    if (error instanceof Broken) return false;
    if (!(error instanceof Exit)) throw error;
  }
  return true;
}
