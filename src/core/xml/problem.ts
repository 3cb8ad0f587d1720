/** One line of an import report: what is wrong, where, and how bad. */
export interface Problem {
  /** `error`: the item, test or package is refused. `warning`: delivered, with the thing named set aside. */
  readonly severity: 'error' | 'warning';
  /** Stable, for programs: `xml`, `unsupported-interaction`, `unknown-expression`, … */
  readonly code: string;
  /** Path inside the package, with forward slashes. */
  readonly file: string;
  /** Line in that file, from 1; 0 when the whole file is meant. */
  readonly line: number;
  /** What, where and what to do, for the person who made the package. */
  readonly message: string;
}

/** Collects problems of one file while it is read. */
export interface Reporter {
  error(code: string, line: number, message: string): void;
  warn(code: string, line: number, message: string): void;
}

/** A message on one line and in one direction: what a package has put into it cannot act on a terminal or turn words round. */
const plain = (message: string): string =>
  message.replace(
    /[\u0000-\u001f\u007f-\u009f\u200e\u200f\u2028-\u202e\u2066-\u2069]/g,
    (one) => `\\u${one.charCodeAt(0).toString(16).padStart(4, '0')}`,
  );

/** What a list of problems says already: nothing is said twice. */
const said = new WeakMap<Problem[], Set<string>>();

/** A reporter that writes into `problems` under the name of `file`. */
export function reporterFor(file: string, problems: Problem[]): Reporter {
  const known = said.get(problems) ?? new Set<string>();
  said.set(problems, known);
  const add = (severity: Problem['severity']) => (code: string, line: number, words: string) => {
    const message = plain(words);
    const key = JSON.stringify([code, file, line, message]);
    if (known.has(key)) return;
    known.add(key);
    problems.push({ severity, code, file, line, message });
  };
  return { error: add('error'), warn: add('warning') };
}
