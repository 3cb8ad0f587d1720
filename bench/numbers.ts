/** The value below which `share` of the sorted sample lies. */
export function percentile(sample: readonly number[], share: number): number {
  const sorted = [...sample].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? NaN;
}
export const line = (name: string, value: string) => process.stdout.write(`${name.padEnd(58)} ${value}\n`);
export const ms = (value: number) => `${value.toFixed(value < 10 ? 2 : 0)} ms`;
