/** Numbers in order as people write them: `22–24, 30`, so that nothing between is meant that is not there. */
export function numberRanges(numbers: readonly number[]): string {
  const runs: [number, number][] = [];
  for (const one of [...numbers].sort((a, b) => a - b)) {
    const last = runs.at(-1);
    if (last && one <= last[1] + 1) last[1] = one;
    else runs.push([one, one]);
  }
  return runs.map(([first, last]) => (first === last ? String(first) : `${first}\u2013${last}`)).join(', ');
}
