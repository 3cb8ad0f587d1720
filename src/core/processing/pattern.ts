import { RE2JS } from 're2js';
import { translateXsdPattern } from '../xml/xsdPattern';

const compiled = new Map<string, RE2JS | null>();

/** RE2 writes code points in its own way: `\x{1F600}`. */
const forRe2 = (pattern: string): string =>
  pattern
    .replace(/\\u\{([0-9A-F]+)\}/g, '\\x{$1}')
    .replace(/\\([/-])/g, (_all, sign: string) => (sign === '/' ? '/' : '\\-'));

/**
 * Whether the whole text fits an XML Schema regular expression (QTI 3.0, "pattern-match"). A linear-time engine: no
 * pattern can run for long. Null when the pattern is not a regular expression.
 */
export function matchesPattern(text: string, pattern: string): boolean | null {
  let regex = compiled.get(pattern);
  if (regex === undefined) {
    const translated = translateXsdPattern(pattern);
    try {
      regex = translated === null ? null : RE2JS.compile(forRe2(translated));
    } catch {
      regex = null;
    }
    if (compiled.size > 500) compiled.clear();
    compiled.set(pattern, regex);
  }
  return regex ? regex.matcher(text.slice(0, 100_000)).matches() : null;
}
