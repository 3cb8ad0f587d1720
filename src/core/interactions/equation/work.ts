/**
 * "Show your work": several lines of maths, or of words, as one LaTeX answer:
 * `\begin{aligned}3x+2&=11\\3x&=9\\\text{so}\\x&=3\end{aligned}`. The first sign of each line is aligned with the others.
 */
export interface WorkLine {
  readonly kind: 'maths' | 'words';
  readonly text: string;
}

const SIGN = /\\(?:leq?|geq?|neq|approx|lt|gt)(?![a-zA-Z])|[=<>]/;
const escapeWords = (text: string): string =>
  text.replace(/[\\{}]/g, (letter) => `\\${letter === '\\' ? 'backslash ' : letter}`);
const plainWords = (text: string): string => text.replace(/\\backslash /g, '\\').replace(/\\([{}])/g, '$1');

/** A line with its place of alignment before the first sign. */
const aligned = (latex: string): string => {
  const at = SIGN.exec(latex);
  return at ? `${latex.slice(0, at.index)}&${latex.slice(at.index)}` : latex;
};

/** The answer for lines; blank lines at the end are left off; empty when nothing is written. */
export function workLatex(lines: readonly WorkLine[]): string {
  const last = lines.findLastIndex((line) => line.text.trim() !== '');
  if (last < 0) return '';
  const rows = lines
    .slice(0, last + 1)
    .map(({ kind, text }) => (kind === 'words' ? `\\text{${escapeWords(text)}}` : aligned(text.trim())));
  return `\\begin{aligned}${rows.join('\\\\')}\\end{aligned}`;
}

/** Rows between `\\`, read from the left: a backslash with the letter after it is one sign and never splits a row. */
function rowsOf(body: string): string[] {
  const rows = [...body.matchAll(/((?:\\(?!\\)[\s\S]|[^\\])*)(?:\\\\|$)/g)].map((found) => found[1] ?? '');
  // The pattern matches the empty end once more.
  return rows.slice(0, -1).length > 0 && body !== '' ? rows.slice(0, -1) : rows;
}

/** The lines of an answer; anything that is not in that form is one line of maths. */
export function workLines(latex: string): WorkLine[] {
  const [, body] = /^\s*\\begin\{aligned\}([\s\S]*)\\end\{aligned\}\s*$/.exec(latex) ?? [];
  if (body === undefined) return latex.trim() === '' ? [] : [{ kind: 'maths', text: latex.trim() }];
  return rowsOf(body).map((row): WorkLine => {
    const [, words] = /^\s*\\text\{((?:[^{}]|\\[{}])*)\}\s*$/.exec(row) ?? [];
    if (words !== undefined) return { kind: 'words', text: plainWords(words) };
    return { kind: 'maths', text: row.replace('&', '').trim() };
  });
}
