/** A box on the screen or in a sheet, in pixels, y downwards. */
export interface Box {
  readonly top: number;
  readonly bottom: number;
  readonly left: number;
  readonly right: number;
  /** Which letter of the text it begins with; absent for what is no text. */
  readonly letter?: number;
}
export interface TextLine {
  readonly top: number;
  readonly bottom: number;
  /** The first letter of the text in it; absent for a line without text. */
  readonly letter?: number;
}

/**
 * The lines of text from the boxes of its pieces: pieces whose middles overlap are one line. A raised or lowered piece
 * (an exponent, a fraction) belongs to the line it overlaps by more than half of the smaller height.
 */
export function linesOf(boxes: readonly Box[]): TextLine[] {
  const lines: { top: number; bottom: number; letter?: number }[] = [];
  const solid = boxes.filter((box) => box.bottom - box.top > 2 && box.right - box.left > 0);
  for (const box of [...solid].sort((a, b) => a.top - b.top || a.left - b.left)) {
    const line = lines.find((one) => {
      const shared = Math.min(one.bottom, box.bottom) - Math.max(one.top, box.top);
      return shared > 0.5 * Math.min(one.bottom - one.top, box.bottom - box.top);
    });
    if (line) {
      line.top = Math.min(line.top, box.top);
      line.bottom = Math.max(line.bottom, box.bottom);
      if (box.letter !== undefined) line.letter = Math.min(line.letter ?? Infinity, box.letter);
    } else lines.push({ top: box.top, bottom: box.bottom, letter: box.letter });
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

/** The letter a line stands for: its first, or for a line without text that of the next with some. */
export const letterOfLine = (lines: readonly TextLine[], index: number): number =>
  lines.slice(Math.max(0, index)).find((line) => line.letter !== undefined)?.letter ?? Infinity;

/** The line that holds a letter, however the text is laid out now. */
export function lineOfLetter(lines: readonly TextLine[], letter: number): number {
  let best = 0;
  let from = -1;
  lines.forEach((line, i) => {
    if (line.letter === undefined || line.letter > letter || line.letter <= from) return;
    best = i;
    from = line.letter;
  });
  return best;
}
