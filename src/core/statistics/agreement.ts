/** How far two readers agree on whole-number scores (adults.md, "What the numbers mean"). Null where a figure is undefined. */
export interface Agreement {
  readonly n: number;
  readonly exact: number | null;
  /** Differ by at most one. */
  readonly adjacent: number | null;
  /** Cohen's kappa, unweighted. */
  readonly kappa: number | null;
  /** Weights 1 − (i − j)² / (k − 1)² over the range of scores in the data. */
  readonly quadraticKappa: number | null;
}

export function agreementOf(pairs: readonly (readonly [number, number])[]): Agreement {
  const n = pairs.length;
  if (n === 0) return { n, exact: null, adjacent: null, kappa: null, quadraticKappa: null };
  const all = pairs.flat();
  const [low, high] = [all.reduce((a, b) => Math.min(a, b)), all.reduce((a, b) => Math.max(a, b))];
  const share = (fits: (a: number, b: number) => boolean) => pairs.filter(([a, b]) => fits(a, b)).length / n;
  const counts = (side: 0 | 1) => {
    const map = new Map<number, number>();
    for (const pair of pairs) map.set(pair[side], (map.get(pair[side]) ?? 0) + 1);
    return map;
  };
  const [first, second] = [counts(0), counts(1)];
  /** (agreement − chance) / (1 − chance), agreement weighted. */
  const kappaWith = (weight: (a: number, b: number) => number): number | null => {
    const seen = pairs.reduce((sum, [a, b]) => sum + weight(a, b), 0) / n;
    let chance = 0;
    for (const [a, times] of first)
      for (const [b, others] of second) chance += (weight(a, b) * times * others) / (n * n);
    return Math.abs(1 - chance) < 1e-12 ? null : (seen - chance) / (1 - chance);
  };
  const range = high - low;
  return {
    n,
    exact: share((a, b) => a === b),
    adjacent: share((a, b) => Math.abs(a - b) <= 1),
    kappa: kappaWith((a, b) => Number(a === b)),
    quadraticKappa: range === 0 ? null : kappaWith((a, b) => 1 - (a - b) ** 2 / range ** 2),
  };
}
