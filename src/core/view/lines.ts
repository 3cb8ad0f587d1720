/** A box on the screen or in a sheet, in pixels, y downwards. */
export interface Box {
  readonly top: number;
  readonly bottom: number;
  readonly left: number;
  readonly right: number;
}
export interface TextLine {
  readonly top: number;
  readonly bottom: number;
}

/**
 * The lines of text from the boxes of its pieces: pieces whose middles overlap are one line. A raised or lowered piece
 * (an exponent, a fraction) belongs to the line it overlaps by more than half of the smaller height.
 */
export function linesOf(boxes: readonly Box[]): TextLine[] {
  const lines: { top: number; bottom: number }[] = [];
  const solid = boxes.filter((box) => box.bottom - box.top > 2 && box.right - box.left > 0);
  for (const box of [...solid].sort((a, b) => a.top - b.top || a.left - b.left)) {
    const line = lines.find((one) => {
      const shared = Math.min(one.bottom, box.bottom) - Math.max(one.top, box.top);
      return shared > 0.5 * Math.min(one.bottom - one.top, box.bottom - box.top);
    });
    if (line) {
      line.top = Math.min(line.top, box.top);
      line.bottom = Math.max(line.bottom, box.bottom);
    } else lines.push({ top: box.top, bottom: box.bottom });
  }
  return lines.sort((a, b) => a.top - b.top);
}

/** The line at or nearest to a height; -1 when there are none. */
export function lineAt(lines: readonly TextLine[], y: number): number {
  let best = -1;
  let distance = Infinity;
  lines.forEach((line, i) => {
    const away = y < line.top ? line.top - y : y > line.bottom ? y - line.bottom : 0;
    if (away < distance) {
      best = i;
      distance = away;
    }
  });
  return best;
}

/** The window over `count` lines from `first`, held inside the text. */
export function windowOf(lines: readonly TextLine[], first: number, count: number): TextLine | null {
  const start = Math.max(0, Math.min(first, lines.length - 1));
  const [top, bottom] = [lines[start], lines[Math.min(lines.length - 1, start + count - 1)]];
  return top && bottom ? { top: top.top, bottom: bottom.bottom } : null;
}
