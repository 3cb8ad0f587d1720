import type { Protractor, Ruler } from '../../item/materials';

/** CSS pixels of a unit at 100 % (CSS Values and Units 4, §6.2: 1in = 2.54cm = 96px). */
export const PIXELS = { in: 96, cm: 96 / 2.54 } as const;

/** A mark of an edge or an arc: where it is, how long it is drawn (0 the shortest, 4 a numbered one), and its number. */
export interface ScaleMark {
  readonly at: number;
  readonly rank: 0 | 1 | 2 | 3 | 4;
  readonly label: string | null;
}

/** The rank of the i-th small mark where so many make a numbered one: halves longer than quarters, quarters longer than eighths. */
function rankOf(i: number, each: number): ScaleMark['rank'] {
  if (i % each === 0) return 4;
  if ((i * 2) % each === 0) return 3;
  if ((i * 4) % each === 0) return 2;
  return (i * 8) % each === 0 ? 1 : 0;
}

/** A ruler's marks in CSS pixels from its zero, at 100 %. Counted in small marks, so that no error adds up along the edge. */
export function rulerMarks({ unit, length, minor, major }: Ruler): readonly ScaleMark[] {
  const each = Math.max(1, Math.round(major / minor));
  const count = Math.floor(length / minor + 1e-9);
  return Array.from({ length: count + 1 }, (_, i) => {
    const rank = rankOf(i, each);
    return {
      at: i * minor * PIXELS[unit],
      rank,
      label: rank === 4 ? String(Number(((i / each) * major).toFixed(4))) : null,
    };
  });
}

/** A protractor's marks in degrees from 0 to 180, counterclockwise from the right (common practice, no source). */
export function protractorMarks({ minor, major }: Protractor): readonly ScaleMark[] {
  const each = Math.max(1, Math.round(major / minor));
  return Array.from({ length: Math.floor(180 / minor + 1e-9) + 1 }, (_, i) => {
    const at = i * minor;
    const rank = i % each === 0 ? 4 : (i * 2) % each === 0 ? 2 : 0;
    return { at, rank, label: rank === 4 ? String(Number(at.toFixed(2))) : null };
  });
}

/** Rulers for a student who has one although the question brings none. */
export const USUAL_RULERS: readonly Ruler[] = [
  { unit: 'cm', length: 15, minor: 0.1, major: 1 },
  { unit: 'in', length: 6, minor: 1 / 16, major: 1 },
];
export const USUAL_PROTRACTOR: Protractor = { minor: 1, major: 10 };
