import { readMath, type MathNode } from '../../math';
import { walkMath } from '../../math/node';
import { evaluate } from '../../math/numeric';
import { CAN, withAngles, type AngleUnit, type Problem } from './evaluate';

/** A window on the plane, in its own units. */
export interface GraphView {
  readonly x: Range;
  readonly y: Range;
}
export interface Range {
  readonly min: number;
  readonly max: number;
}
export const FIRST_VIEW: GraphView = { x: { min: -10, max: 10 }, y: { min: -10, max: 10 } };
/** The narrowest and the widest window: floats still tell places apart. */
const NARROWEST = 1e-3;
const WIDEST = 1e6;

/** A function of x, or why it is none. */
export type GraphFunction =
  | { readonly ok: true; /** NaN where it has no value. */ readonly at: (x: number) => number }
  | { readonly ok: false; readonly why: Problem };

/** What is typed after `y =`, as a function of x. */
export function functionOf(text: string, angle: AngleUnit): GraphFunction {
  const read = readMath(text.replace(/^\s*(y|f\s*\(\s*x\s*\))\s*=/i, ''));
  if (!read.ok) return { ok: false, why: 'unreadable' };
  const isKnown = (node: MathNode) => (node.t === 'var' ? node.name === 'x' : CAN.graphing.has(node.t));
  const nodes = [...walkMath(read.node)];
  if (nodes.some(({ t }) => t === 'rel' || t === 'infinity')) return { ok: false, why: 'unreadable' };
  if (!nodes.every(isKnown)) return { ok: false, why: 'not-here' };
  const node = withAngles(read.node, angle);
  const at = (x: number): number => {
    const y = evaluate(node, { x });
    return Number.isFinite(y) ? y : NaN;
  };
  return { ok: true, at };
}

export interface GraphPoint {
  readonly x: number;
  readonly y: number;
}

/** Halvings by which the edge of a curve is sought where it has no value on one side. */
const HALVINGS = 20;

/**
 * A function’s curve in a window, as lines that hang together: broken where there is no value, and where it leaps from one side of the
 * window to the other within a step (a pole is no wall). Where a curve ends between two places, its end is sought.
 * @param steps places it is worked out at, besides the first
 */
export function curveOf(
  at: (x: number) => number,
  { x, y }: GraphView,
  steps: number,
): readonly (readonly GraphPoint[])[] {
  const height = y.max - y.min;
  const curves: GraphPoint[][] = [];
  let now: GraphPoint[] = [];
  const end = () => {
    if (now.length > 1) curves.push(now);
    now = [];
  };
  /** The last place with a value between one that has one and one that has none. */
  const edge = (has: number, hasNone: number): GraphPoint => {
    let [inside, outside] = [has, hasNone];
    for (let i = 0; i < HALVINGS; i += 1) {
      const middle = (inside + outside) / 2;
      if (Number.isNaN(at(middle))) outside = middle;
      else inside = middle;
    }
    return { x: inside, y: at(inside) };
  };
  let before: GraphPoint | null = null;
  for (let i = 0; i <= steps; i += 1) {
    const place = x.min + ((x.max - x.min) * i) / steps;
    const point = { x: place, y: at(place) };
    const hasValue = !Number.isNaN(point.y);
    if (before && hasValue !== !Number.isNaN(before.y)) {
      if (hasValue) now.push(edge(place, before.x));
      else {
        now.push(edge(before.x, place));
        end();
      }
    } else if (before && hasValue && leaps(at, before, point, height)) end();
    if (hasValue) now.push(point);
    before = point;
  }
  end();
  return curves;
}

/** Whether a curve leaps between two neighbours: it changes sides by more than the window, and the middle does not lie between. */
function leaps(at: (x: number) => number, a: GraphPoint, b: GraphPoint, height: number): boolean {
  if (Math.abs(a.y - b.y) < height) return false;
  const middle = at((a.x + b.x) / 2);
  const [low, high] = [Math.min(a.y, b.y), Math.max(a.y, b.y)];
  return Number.isNaN(middle) || middle < low || middle > high || Math.sign(a.y) !== Math.sign(b.y);
}

/** A step between grid lines that is easy to count by: 1, 2 or 5 times a power of ten, so that there are about as many as asked for. */
export function easyStep({ min, max }: Range, lines: number): number {
  const rough = (max - min) / lines;
  const power = 10 ** Math.floor(Math.log10(rough));
  const factor = [1, 2, 5, 10].find((one) => one * power >= rough * (1 - 1e-9)) ?? 10;
  return Number((factor * power).toPrecision(12));
}

const around = ({ min, max }: Range, factor: number): Range => {
  const [middle, half] = [(min + max) / 2, Math.min(WIDEST, Math.max(NARROWEST, ((max - min) / 2) * factor))];
  return { min: middle - half, max: middle + half };
};
/** Nearer (a factor below one) or further away, around the middle. */
export const zoomed = ({ x, y }: GraphView, factor: number): GraphView => ({
  x: around(x, factor),
  y: around(y, factor),
});
/** Moved by shares of its width and height. */
export function panned({ x, y }: GraphView, across: number, up: number): GraphView {
  const by = ({ min, max }: Range, share: number): Range => {
    const step = (max - min) * share;
    return Math.max(Math.abs(min + step), Math.abs(max + step)) > WIDEST
      ? { min, max }
      : { min: min + step, max: max + step };
  };
  return { x: by(x, across), y: by(y, up) };
}

/** A value in as many digits as can be taken in; the sign of nothing at all is none. */
export const shortNumber = (value: number): string =>
  Number.isNaN(value) ? '–' : String(Number(value.toPrecision(6)) + 0).replace('-', '\u2212');
