/** Whether the shaded part of equal parts is a fraction (`1/6`); `exact`: in that many parts. */
export function isFractionShaded(
  shaded: readonly boolean[],
  fraction: string,
  parts: 'exact' | 'equivalent',
): boolean {
  const [, top, bottom] = /^\s*(\d{1,9})\s*\/\s*(\d{1,9})\s*$/.exec(fraction) ?? [];
  const [n, d] = [Number(top), Number(bottom)];
  if (top === undefined || d === 0 || shaded.length === 0) return false;
  const count = shaded.filter(Boolean).length;
  if (parts === 'exact' && shaded.length !== d) return false;
  return count * d === n * shaded.length;
}

/** Whether the cells that are on (`r2c3`) form one full rectangle of that many. */
export function isFullRectangle(cells: readonly string[], count: number): boolean {
  const places = [...new Set(cells)].map((cell) => /^r(\d{1,4})c(\d{1,4})$/.exec(cell));
  if (places.length !== count || places.length === 0) return false;
  const rows = places.map((place) => Number(place?.[1] ?? NaN));
  const columns = places.map((place) => Number(place?.[2] ?? NaN));
  const height = Math.max(...rows) - Math.min(...rows) + 1;
  const width = Math.max(...columns) - Math.min(...columns) + 1;
  return height * width === count;
}
