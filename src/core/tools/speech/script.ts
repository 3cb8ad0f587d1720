/** A piece of a text as it stands on the page: words, or something that is spoken otherwise than it is written (a formula, a picture). */
export interface Piece {
  /** Its letters on the page; empty for what has none. */
  readonly text: string;
  /** Where they begin in the page's text. */
  readonly start: number;
  /** What is spoken in their place. */
  readonly say?: string;
  /** BCP 47. */
  readonly language: string;
  /** Pieces of one block are read on; a sentence never runs from one block into the next. */
  readonly block: number;
}

/** A word as it is spoken, and the letters of the page that light up with it. */
export interface SpokenWord {
  /** Where it begins in what is spoken, and how long it is there, in letters. */
  readonly at: number;
  readonly length: number;
  readonly start: number;
  readonly end: number;
}
/** What is spoken in one breath: a sentence, or a cell, or a heading. */
export interface Sentence {
  readonly words: string;
  readonly language: string;
  readonly spoken: readonly SpokenWord[];
  /** The letters of the page it stands for. */
  readonly start: number;
  readonly end: number;
}

/** The runs of pieces that stand in one block and one language. */
function runsOf(pieces: readonly Piece[]): Piece[][] {
  const runs: Piece[][] = [];
  for (const piece of pieces) {
    const last = runs.at(-1);
    const [first] = last ?? [];
    if (last && first?.block === piece.block && first.language === piece.language) last.push(piece);
    else runs.push([piece]);
  }
  return runs;
}

interface Placed {
  readonly at: number;
  readonly said: string;
  readonly piece: Piece;
}

/** The letters of the page behind a stretch of what is spoken. */
function behind(placed: readonly Placed[], from: number, to: number): { start: number; end: number } {
  const touched = placed.filter(({ at, said }) => at < to && at + said.length > from);
  const ends = touched.map(({ at, piece }) => {
    if (piece.say !== undefined) return { start: piece.start, end: piece.start + piece.text.length };
    return {
      start: piece.start + Math.max(0, from - at),
      end: piece.start + Math.min(piece.text.length, to - at),
    };
  });
  return {
    start: Math.min(...ends.map(({ start }) => start)),
    end: Math.max(...ends.map(({ end }) => end)),
  };
}

/**
 * What is read aloud of a text, sentence by sentence (UAX #29, as `Intl.Segmenter` has it), each word with the letters that light up
 * while it is spoken. What has nothing to say is left out.
 */
export function scriptOf(pieces: readonly Piece[]): readonly Sentence[] {
  return runsOf(pieces).flatMap((run): Sentence[] => {
    let at = 0;
    const placed = run.map((piece): Placed => {
      // What is spoken otherwise stands apart from its neighbors.
      const said = piece.say === undefined ? piece.text : ` ${piece.say} `;
      const here = { at, said, piece };
      at += said.length;
      return here;
    });
    const whole = placed.map(({ said }) => said).join('');
    const language = run[0]?.language ?? 'en';
    const sentences = new Intl.Segmenter(language, { granularity: 'sentence' }).segment(whole);
    const segmenter = new Intl.Segmenter(language, { granularity: 'word' });
    return [...sentences].flatMap(({ segment, index }): Sentence[] => {
      const words = segment.replace(/\s/g, ' ');
      const spoken = [...segmenter.segment(words)]
        .filter((one) => one.isWordLike)
        .map((one) => ({
          at: one.index,
          length: one.segment.length,
          ...behind(placed, index + one.index, index + one.index + one.segment.length),
        }));
      const [first] = spoken;
      if (!first) return [];
      return [
        {
          words,
          language,
          spoken,
          start: Math.min(...spoken.map(({ start }) => start)),
          end: Math.max(...spoken.map(({ end }) => end)),
        },
      ];
    });
  });
}

/** Letters a mark takes as long as, when there is nothing to tell how long it really takes: a pause after a comma or a full stop. */
const PAUSES: Readonly<Record<string, number>> = { ',': 3, ';': 4, ':': 4, '.': 5, '!': 5, '?': 5, '—': 4 };

/**
 * Which word is being spoken, for a voice that does not say so: each letter takes as long as every other, and marks their pauses.
 * @param share of the sentence's sound that has been heard, 0 to 1
 * @returns its place in `spoken`
 */
export function wordAt({ words, spoken }: Sentence, share: number): number {
  const weights = [...words].map((letter) => PAUSES[letter] ?? 1);
  const total = weights.reduce((sum, one) => sum + one, 0);
  let heard = 0;
  let at = 0;
  while (at < weights.length && heard + (weights[at] ?? 1) <= share * total) {
    heard += weights[at] ?? 1;
    at += 1;
  }
  return Math.max(
    0,
    spoken.findLastIndex((word) => word.at <= at),
  );
}
