/** Sums over lists of numbers, as handbooks of test statistics define them. Undefined is null, never NaN. */

export const mean = (xs: readonly number[]): number | null =>
  xs.length === 0 ? null : xs.reduce((sum, x) => sum + x, 0) / xs.length;

/** Sample variance (n − 1); null for fewer than two. */
export function variance(xs: readonly number[]): number | null {
  const middle = mean(xs);
  if (middle === null || xs.length < 2) return null;
  return xs.reduce((sum, x) => sum + (x - middle) ** 2, 0) / (xs.length - 1);
}

/** Pearson's correlation; null where either list does not vary. */
export function correlation(xs: readonly number[], ys: readonly number[]): number | null {
  const [mx, my] = [mean(xs), mean(ys)];
  if (mx === null || my === null || varies(xs) === false || varies(ys) === false) return null;
  let [xy, xx, yy] = [0, 0, 0];
  xs.forEach((x, i) => {
    const [dx, dy] = [x - mx, (ys[i] ?? 0) - my];
    xy += dx * dy;
    xx += dx * dx;
    yy += dy * dy;
  });
  return xx === 0 || yy === 0 ? null : xy / Math.sqrt(xx * yy);
}
const varies = (xs: readonly number[]): boolean => xs.some((x) => x !== xs[0]);

/** The middle of a list, the mean of the two middle ones of an even number; null of none. */
export function median(xs: readonly number[]): number | null {
  const sorted = [...xs].sort((a, b) => a - b);
  const half = sorted.length / 2;
  return mean(
    Number.isInteger(half) ? sorted.slice(Math.max(0, half - 1), half + 1) : [sorted[Math.floor(half)] ?? 0],
  );
}
