import { own } from '../own';
import { isCustomOperator } from '../processing/custom';
import { ARITY } from '../processing/expressions';
import { matchesPattern } from '../processing/pattern';
import type { Branch, Expression, Rule } from '../item/program';
import type { Reporter } from '../xml/problem';
import { elementsOf, textOf, type XmlElement } from '../xml/xml';

/** What a program may refer to, so that a slip of the pen is found at import. */
export interface Names {
  readonly responses: ReadonlySet<string>;
  readonly outcomes: ReadonlySet<string>;
  readonly templates: ReadonlySet<string>;
  readonly contexts: ReadonlySet<string>;
  /** In a test `ITEM.VARIABLE` is allowed and cannot be checked here. */
  readonly test: boolean;
}

const op = (element: XmlElement) => element.name.replace(/^qti-/, '');

/** Reads an expression; what is wrong with it is reported with its line. */
export function readExpression(element: XmlElement, names: Names, report: Reporter): Expression {
  const name = op(element);
  const children = elementsOf(element);
  const arity = own(ARITY, name);
  if (!arity)
    report.error('unknown-expression', element.line, `${element.name} is not an expression of the standard`);
  else if (children.length < arity[0] || children.length > arity[1]) {
    const wanted = arity[0] === arity[1] ? String(arity[0]) : `${arity[0]} or more`;
    report.error(
      'expression-children',
      element.line,
      `${element.name} takes ${wanted} expressions, ${children.length} are given`,
    );
  }
  if (name === 'custom-operator' && !isCustomOperator(element.attributes.class ?? '')) {
    report.error(
      'unknown-operator',
      element.line,
      `the custom operator "${element.attributes.class ?? ''}" is not known`,
    );
  }
  if (name === 'pattern-match' && matchesPattern('', element.attributes.pattern ?? '') === null) {
    report.error(
      'bad-pattern',
      element.line,
      `"${element.attributes.pattern ?? ''}" is not a regular expression that can be run safely`,
    );
  }
  const identifier = element.attributes.identifier;
  if (['variable', 'correct', 'default', 'map-response', 'map-response-point'].includes(name)) {
    const known = identifier !== undefined && isKnown(identifier, names);
    if (!known)
      report.error(
        'unknown-variable',
        element.line,
        `${element.name} names "${identifier ?? ''}", which is not declared`,
      );
  }
  return {
    op: name,
    attributes: element.attributes,
    args: children.map((child) => readExpression(child, names, report)),
    text: children.length === 0 ? textOf(element) : '',
    line: element.line,
  };
}

function isKnown(identifier: string, names: Names): boolean {
  if (names.test && identifier.includes('.')) return true;
  const builtIn = ['completionStatus', 'numAttempts', 'duration', 'QTI_CONTEXT'].includes(identifier);
  return (
    builtIn ||
    names.responses.has(identifier) ||
    names.outcomes.has(identifier) ||
    names.templates.has(identifier) ||
    names.contexts.has(identifier)
  );
}

const NO_EXPRESSION: Expression = { op: 'null', attributes: {}, args: [], text: '', line: 0 };

function readBranches(element: XmlElement, names: Names, report: Reporter): Branch[] {
  return elementsOf(element).flatMap((branch): Branch[] => {
    const [first, ...rest] = elementsOf(branch);
    if (/-else$/.test(branch.name))
      return [{ test: null, rules: readRules(elementsOf(branch), names, report) }];
    if (!/-(if|else-if)$/.test(branch.name) || !first) {
      report.error('bad-rule', branch.line, `${branch.name} is not a branch of a condition`);
      return [];
    }
    return [{ test: readExpression(first, names, report), rules: readRules(rest, names, report) }];
  });
}

function readRule(element: XmlElement, names: Names, report: Reporter): Rule[] {
  const name = op(element);
  const identifier = element.attributes.identifier ?? '';
  const [child] = elementsOf(element);
  const expression = () => (child ? readExpression(child, names, report) : NO_EXPRESSION);
  const target = (...kinds: Exclude<keyof Names, 'test'>[]): boolean => {
    const known = kinds.some((kind) => names[kind].has(identifier)) || identifier === 'completionStatus';
    if (!known)
      report.error(
        'unknown-variable',
        element.line,
        `${element.name} sets "${identifier}", which is not declared`,
      );
    if (!child) report.error('bad-rule', element.line, `${element.name} has no expression`);
    return known && child !== undefined;
  };
  switch (name) {
    case 'response-condition':
    case 'outcome-condition':
    case 'template-condition':
      return [{ rule: 'condition', branches: readBranches(element, names, report) }];
    case 'response-processing-fragment':
    case 'outcome-processing-fragment':
      return [{ rule: 'fragment', rules: readRules(elementsOf(element), names, report) }];
    case 'exit-response':
    case 'exit-template':
    case 'exit-test':
      return [{ rule: 'exit' }];
    case 'set-outcome-value':
    case 'lookup-outcome-value':
      return target('outcomes') ? [{ rule: name, identifier, expression: expression() }] : [];
    case 'set-template-value':
      return target('templates') ? [{ rule: name, identifier, expression: expression() }] : [];
    case 'set-default-value':
      return target('responses', 'outcomes') ? [{ rule: name, identifier, expression: expression() }] : [];
    case 'set-correct-response':
      return target('responses') ? [{ rule: name, identifier, expression: expression() }] : [];
    case 'template-constraint':
      return [{ rule: name, expression: expression() }];
    default:
      report.error('unknown-rule', element.line, `${element.name} is not a rule that can be carried out`);
      return [];
  }
}

/** Reads a list of rule elements; what is wrong is reported with its line. */
export function readRules(elements: readonly XmlElement[], names: Names, report: Reporter): Rule[] {
  return elements.flatMap((element) => readRule(element, names, report));
}
