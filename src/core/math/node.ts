import type { Rational } from './rational';

export type RelationOp = '=' | '<' | '>' | '<=' | '>=' | '!=';

/** Written mathematics as a tree that still knows how it was written, for the form checks. */
export type MathNode =
  | { readonly t: 'num'; readonly value: Rational; readonly written: 'integer' | 'decimal' }
  | { readonly t: 'var'; readonly name: string }
  | { readonly t: 'const'; readonly name: 'pi' | 'e' }
  | { readonly t: 'infinity' }
  | { readonly t: 'add'; readonly args: readonly MathNode[] }
  | { readonly t: 'neg'; readonly arg: MathNode }
  | { readonly t: 'mul'; readonly args: readonly MathNode[] }
  | {
      readonly t: 'div';
      readonly a: MathNode;
      readonly b: MathNode;
      readonly written: 'fraction' | 'quotient';
    }
  | { readonly t: 'mixed'; readonly whole: bigint; readonly n: bigint; readonly d: bigint }
  | { readonly t: 'pow'; readonly base: MathNode; readonly exponent: MathNode }
  | { readonly t: 'root'; readonly index: MathNode; readonly arg: MathNode }
  | { readonly t: 'fn'; readonly name: FunctionName; readonly arg: MathNode; readonly base: MathNode | null }
  | { readonly t: 'percent'; readonly arg: MathNode }
  | { readonly t: 'degrees'; readonly arg: MathNode }
  | { readonly t: 'group'; readonly arg: MathNode }
  | { readonly t: 'rel'; readonly ops: readonly RelationOp[]; readonly args: readonly MathNode[] };

export const FUNCTIONS = [
  'sin',
  'cos',
  'tan',
  'cot',
  'sec',
  'csc',
  'arcsin',
  'arccos',
  'arctan',
  'sinh',
  'cosh',
  'tanh',
  'ln',
  'log',
  'exp',
  'abs',
] as const;
export type FunctionName = (typeof FUNCTIONS)[number];

/** The nodes directly below. */
export function childrenOf(node: MathNode): readonly MathNode[] {
  switch (node.t) {
    case 'add':
    case 'mul':
    case 'rel':
      return node.args;
    case 'neg':
    case 'percent':
    case 'degrees':
    case 'group':
      return [node.arg];
    case 'fn':
      return node.base ? [node.arg, node.base] : [node.arg];
    case 'div':
      return [node.a, node.b];
    case 'pow':
      return [node.base, node.exponent];
    case 'root':
      return [node.index, node.arg];
    default:
      return [];
  }
}

/** All nodes of a tree, the root first. */
export function* walkMath(node: MathNode): Generator<MathNode> {
  yield node;
  for (const child of childrenOf(node)) yield* walkMath(child);
}

/** A node without the brackets around it. */
export function ungroup(node: MathNode): MathNode {
  return node.t === 'group' ? ungroup(node.arg) : node;
}
