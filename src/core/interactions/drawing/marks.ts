import * as z from 'zod/mini';
import { fileText, readFile } from '../file';
import { saidWhere } from '../said';
import type { Said } from '../types';

/** Longest drawing kept, in letters of its data URL: far more than a hand draws, less than an answer may hold. */
export const MAX_DRAWING = 700_000;

/** Size of a sheet without a picture, in its own pixels. */
export const SHEET = { width: 640, height: 400 } as const;

const number = z.number();
const point = z.tuple([number, number]);
const pen = {
  colour: z.enum(['ink', 'blue', 'green', 'red']),
  width: z.union([z.literal(2), z.literal(4), z.literal(8)]),
};
/** One mark of a drawing. A stroke keeps the points the hand went through, so that it can be redrawn at any size. */
export const mark = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('stroke'),
    points: z.array(point).check(z.minLength(1), z.maxLength(5000)),
    ...pen,
  }),
  z.object({ kind: z.literal('line'), from: point, to: point, ...pen }),
  z.object({ kind: z.literal('arrow'), from: point, to: point, ...pen }),
  z.object({ kind: z.literal('rectangle'), from: point, to: point, ...pen }),
  z.object({ kind: z.literal('ellipse'), from: point, to: point, ...pen }),
  z.object({ kind: z.literal('text'), at: point, text: z.string().check(z.maxLength(300)), ...pen }),
]);
export type Mark = z.infer<typeof mark>;
export type MarkColour = Mark['colour'];
const marks = z.array(mark).check(z.maxLength(2000));

/** Colours in the file, which is read outside the application too: dark enough on white (at least 7:1). */
export const MARK_COLOURS: Readonly<Record<MarkColour, string>> = {
  ink: '#1d2b2f',
  blue: '#0b4f8a',
  green: '#0e5a3a',
  red: '#8f1f1f',
};

const escape = (text: string): string => text.replace(/[<>&"']/g, (letter) => `&#${letter.charCodeAt(0)};`);
const unescape = (text: string): string =>
  text.replace(/&#(\d+);/g, (_all, code: string) => String.fromCharCode(Number(code)));
const round = (value: number): number => Math.round(value * 10) / 10;

/** The outline of a stroke as an SVG path through its points. */
export function strokePath(points: readonly (readonly [number, number])[]): string {
  const [first, ...rest] = points;
  if (!first) return '';
  if (rest.length === 0) return `M${first[0]} ${first[1]}h0.1`;
  return `M${round(first[0])} ${round(first[1])}L${rest.map(([x, y]) => `${round(x)} ${round(y)}`).join(' ')}`;
}

/** The two strokes of an arrow's head. */
export function arrowHead(
  from: readonly [number, number],
  to: readonly [number, number],
  width: number,
): string {
  const angle = Math.atan2(to[1] - from[1], to[0] - from[0]);
  const size = 8 + width * 2;
  const end = (turn: number) =>
    `${round(to[0] - size * Math.cos(angle + turn))} ${round(to[1] - size * Math.sin(angle + turn))}`;
  return `M${end(0.45)}L${round(to[0])} ${round(to[1])}L${end(-0.45)}`;
}

/** The upright box of a mark drawn from corner to corner. */
export const boxOfMark = ({
  from,
  to,
}: {
  from: readonly [number, number];
  to: readonly [number, number];
}) => ({
  x: Math.min(from[0], to[0]),
  y: Math.min(from[1], to[1]),
  width: Math.abs(to[0] - from[0]),
  height: Math.abs(to[1] - from[1]),
});

function markSvg(one: Mark): string {
  const stroke = `fill="none" stroke="${MARK_COLOURS[one.colour]}" stroke-width="${one.width}" stroke-linecap="round" stroke-linejoin="round"`;
  switch (one.kind) {
    case 'stroke':
      return `<path d="${strokePath(one.points)}" ${stroke}/>`;
    case 'line':
      return `<path d="${strokePath([one.from, one.to])}" ${stroke}/>`;
    case 'arrow':
      return `<path d="${strokePath([one.from, one.to])}${arrowHead(one.from, one.to, one.width)}" ${stroke}/>`;
    case 'rectangle': {
      const { x, y, width, height } = boxOfMark(one);
      return `<rect x="${round(x)}" y="${round(y)}" width="${round(width)}" height="${round(height)}" ${stroke}/>`;
    }
    case 'ellipse': {
      const { x, y, width, height } = boxOfMark(one);
      return `<ellipse cx="${round(x + width / 2)}" cy="${round(y + height / 2)}" rx="${round(width / 2)}" ry="${round(height / 2)}" ${stroke}/>`;
    }
    case 'text':
      return `<text x="${round(one.at[0])}" y="${round(one.at[1])}" font-family="sans-serif" font-size="${14 + one.width * 2}" fill="${MARK_COLOURS[one.colour]}">${escape(one.text)}</text>`;
  }
}

/** A drawing as an SVG file any program opens; the marks themselves ride along so that it can be worked on again. */
export function drawingSvg(list: readonly Mark[], width: number, height: number): string {
  const data = escape(JSON.stringify(list));
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" data-marks="${data}">${list.map(markSvg).join('')}</svg>`;
}

const toBase64 = (text: string): string => {
  let binary = '';
  for (const byte of new TextEncoder().encode(text)) binary += String.fromCharCode(byte);
  return btoa(binary);
};
const fromBase64 = (data: string): string =>
  new TextDecoder().decode(Uint8Array.from(atob(data), (letter) => letter.charCodeAt(0)));

/** The answer for a drawing: an SVG file; null when nothing is drawn. */
export function drawingText(
  list: readonly Mark[],
  width: number,
  height: number,
  name: string,
): string | null {
  if (list.length === 0) return null;
  return fileText({ name, mediaType: 'image/svg+xml', data: toBase64(drawingSvg(list, width, height)) });
}

/** The marks of a drawing kept before; none when the file is not one of ours. */
export function marksOf(text: string): Mark[] {
  const file = readFile(text);
  if (file?.mediaType !== 'image/svg+xml') return [];
  try {
    const kept = /data-marks="([^"]*)"/.exec(fromBase64(file.data))?.[1];
    const read = marks.safeParse(JSON.parse(unescape(kept ?? '[]')));
    return read.success ? read.data : [];
  } catch {
    return [];
  }
}

/** The topmost mark near a point, for the eraser; −1 when there is none. */
export function markAt(list: readonly Mark[], [x, y]: readonly [number, number], reach: number): number {
  const near = (a: readonly [number, number], b: readonly [number, number]): boolean => {
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
    const length = dx * dx + dy * dy;
    const along = length === 0 ? 0 : Math.max(0, Math.min(1, ((x - a[0]) * dx + (y - a[1]) * dy) / length));
    return Math.hypot(x - a[0] - along * dx, y - a[1] - along * dy) <= reach;
  };
  const hit = (one: Mark): boolean => {
    switch (one.kind) {
      case 'stroke':
        return one.points.some((p, i) => near(p, one.points[i + 1] ?? p));
      case 'line':
      case 'arrow':
        return near(one.from, one.to);
      case 'text':
        return (
          x >= one.at[0] - reach &&
          x <= one.at[0] + one.text.length * 10 + reach &&
          y <= one.at[1] + reach &&
          y >= one.at[1] - 24 - reach
        );
      case 'rectangle':
      case 'ellipse': {
        const b = boxOfMark(one);
        const corners: [number, number][] = [
          [b.x, b.y],
          [b.x + b.width, b.y],
          [b.x + b.width, b.y + b.height],
          [b.x, b.y + b.height],
        ];
        if (one.kind === 'rectangle')
          return corners.some((corner, i) => near(corner, corners[(i + 1) % 4] ?? corner));
        const [rx, ry] = [Math.max(1, b.width / 2), Math.max(1, b.height / 2)];
        const away = Math.hypot((x - b.x - rx) / rx, (y - b.y - ry) / ry);
        return Math.abs(away - 1) * Math.min(rx, ry) <= reach;
      }
    }
  };
  return list.findLastIndex(hit);
}

/** A mark as it is said: what it is, its color, and where its middle lies on the sheet. */
export function saidMark(
  one: Mark,
  sheet: { readonly width: number | null; readonly height: number | null },
): Said {
  const points = one.kind === 'stroke' ? one.points : one.kind === 'text' ? [one.at] : [one.from, one.to];
  const middle = (axis: 0 | 1) => {
    const all = points.map((point) => point[axis]);
    return (Math.min(...all) + Math.max(...all)) / 2;
  };
  return {
    code: 'mark',
    values: {
      kind: one.kind,
      colour: one.colour,
      text: one.kind === 'text' ? one.text : '',
      where: saidWhere({ x: middle(0), y: middle(1) }, sheet),
    },
  };
}
