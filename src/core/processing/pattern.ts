import { RE2JS } from 're2js';

const compiled = new Map<string, RE2JS | null>();

/** XML Schema's own character classes, written the way common regular expressions write them. */
function translate(pattern: string): string {
  return pattern
    .replace(/\\i/g, '[A-Za-z_:]')
    .replace(/\\c/g, '[-.0-9A-Za-z_:]')
    .replace(/(^|[^\\[])\^(?!\])/g, (all, before: string, at: number) =>
      at === 0 && before === '' ? '^' : all,
    );
}

/**
 * Whether the whole text fits an XML Schema regular expression (QTI 3.0, "pattern-match"). A linear-time engine: no
 * pattern can run for long. Null when the pattern is not a regular expression.
 */
export function matchesPattern(text: string, pattern: string): boolean | null {
  let regex = compiled.get(pattern);
  if (regex === undefined) {
    try {
      regex = pattern.length > 2000 ? null : RE2JS.compile(translate(pattern), RE2JS.DOTALL);
    } catch {
      regex = null;
    }
    if (compiled.size > 500) compiled.clear();
    compiled.set(pattern, regex);
  }
  return regex ? regex.matcher(text.slice(0, 100_000)).matches() : null;
}
