/**
 * XML Schema's regular expressions (W3C XML Schema Part 2, appendix F; from memory) in the language that both the linear-time
 * engine of the server and a browser's own engine read. They are always of the whole text: there are no anchors, `^` and `$` are
 * letters, `.` is anything but a line end, `\d` and `\w` are Unicode's, classes can be subtracted (`[a-z-[aeiou]]`).
 */
type Range = readonly [from: number, to: number];

/** The pattern is not one of the language, or cannot be carried over. */
class NotAPattern extends Error {}

const LAST = 0x10ffff;
/** `\i` and `\c`: what an XML name begins with, and may hold (XML 1.0, fifth edition, productions 4 and 4a; from memory). */
const NAME_START =
  ':A-Z_a-z\\u{C0}-\\u{D6}\\u{D8}-\\u{F6}\\u{F8}-\\u{2FF}\\u{370}-\\u{37D}\\u{37F}-\\u{1FFF}\\u{200C}-\\u{200D}\\u{2070}-\\u{218F}\\u{2C00}-\\u{2FEF}\\u{3001}-\\u{D7FF}\\u{F900}-\\u{FDCF}\\u{FDF0}-\\u{FFFD}\\u{10000}-\\u{EFFFF}';
const NAME = `${NAME_START}\\-.0-9\\u{B7}\\u{300}-\\u{36F}\\u{203F}-\\u{2040}`;
/** Blocks of Unicode that school content names (`\p{IsGreek}`), by their first and last place. */
const BLOCKS: ReadonlyMap<string, Range> = new Map([
  ['BasicLatin', [0x0, 0x7f]],
  ['Latin-1Supplement', [0x80, 0xff]],
  ['LatinExtended-A', [0x100, 0x17f]],
  ['LatinExtended-B', [0x180, 0x24f]],
  ['IPAExtensions', [0x250, 0x2af]],
  ['SpacingModifierLetters', [0x2b0, 0x2ff]],
  ['CombiningDiacriticalMarks', [0x300, 0x36f]],
  ['Greek', [0x370, 0x3ff]],
  ['GreekandCoptic', [0x370, 0x3ff]],
  ['Cyrillic', [0x400, 0x4ff]],
  ['Armenian', [0x530, 0x58f]],
  ['Hebrew', [0x590, 0x5ff]],
  ['Arabic', [0x600, 0x6ff]],
  ['Devanagari', [0x900, 0x97f]],
  ['Thai', [0xe00, 0xe7f]],
  ['HangulJamo', [0x1100, 0x11ff]],
  ['LatinExtendedAdditional', [0x1e00, 0x1eff]],
  ['GreekExtended', [0x1f00, 0x1fff]],
  ['GeneralPunctuation', [0x2000, 0x206f]],
  ['SuperscriptsandSubscripts', [0x2070, 0x209f]],
  ['CurrencySymbols', [0x20a0, 0x20cf]],
  ['LetterlikeSymbols', [0x2100, 0x214f]],
  ['NumberForms', [0x2150, 0x218f]],
  ['Arrows', [0x2190, 0x21ff]],
  ['MathematicalOperators', [0x2200, 0x22ff]],
  ['GeometricShapes', [0x25a0, 0x25ff]],
  ['MiscellaneousSymbols', [0x2600, 0x26ff]],
  ['CJKSymbolsandPunctuation', [0x3000, 0x303f]],
  ['Hiragana', [0x3040, 0x309f]],
  ['Katakana', [0x30a0, 0x30ff]],
  ['CJKUnifiedIdeographs', [0x4e00, 0x9fff]],
  ['HangulSyllables', [0xac00, 0xd7a3]],
]);
const CATEGORY = /^(?:L[ultmo]?|M[nce]?|N[dlo]?|P[cdseifo]?|Z[slp]?|S[mcko]?|C[cfon]?)$/;
const SINGLE: Readonly<Record<string, string>> = { n: '\\n', r: '\\r', t: '\\t' };
/** What an escape stands for, inside a class. */
const MULTI: Readonly<Record<string, string>> = {
  d: '\\p{Nd}',
  s: ' \\t\\n\\r',
  i: NAME_START,
  c: NAME,
  w: '\\p{L}\\p{M}\\p{N}\\p{S}',
};

const hex = (code: number): string => `\\u{${code.toString(16).toUpperCase()}}`;
const classOf = (ranges: readonly Range[]): string =>
  ranges.map(([from, to]) => (from === to ? hex(from) : `${hex(from)}-${hex(to)}`)).join('');

/** Every place of Unicode that is a letter by itself, as one text in order; made when a class is first subtracted. */
let everything: string | null = null;
function allOfUnicode(): string {
  if (everything !== null) return everything;
  const pieces: string[] = [];
  for (let from = 0; from <= LAST; from += 0x400) {
    if (from >= 0xd800 && from < 0xe000) continue;
    pieces.push(String.fromCodePoint(...Array.from({ length: 0x400 }, (_, i) => from + i)));
  }
  everything = pieces.join('');
  return everything;
}

/** The places that a class covers: the runs of all of Unicode that fit it. */
function rangesOf(inside: string, negated: boolean): Range[] {
  const runs = allOfUnicode().matchAll(new RegExp(`[${negated ? '^' : ''}${inside}]+`, 'gu'));
  const ranges: [number, number][] = [];
  for (const { 0: run } of runs) {
    const from = run.codePointAt(0) ?? 0;
    const low = run.charCodeAt(run.length - 1);
    const to = low >= 0xdc00 && low <= 0xdfff ? (run.codePointAt(run.length - 2) ?? low) : low;
    // A run that goes over the gap of the surrogates is two.
    if (from < 0xd800 && to >= 0xe000) ranges.push([from, 0xd7ff], [0xe000, to]);
    else ranges.push([from, to]);
  }
  return ranges;
}
function without(a: readonly Range[], b: readonly Range[]): Range[] {
  return b.reduce<Range[]>(
    (left, [from, to]) =>
      left.flatMap(([low, high]): Range[] => {
        if (to < low || from > high) return [[low, high]];
        const parts: Range[] = [];
        if (low < from) parts.push([low, from - 1]);
        if (high > to) parts.push([to + 1, high]);
        return parts;
      }),
    [...a],
  );
}

const META = /[.\\?*+{}()[\]|^$/-]/;

/** A letter that stands for itself outside a class; a hyphen needs no escape there, and browsers take none. */
const literal = (letter: string): string => (META.test(letter) && letter !== '-' ? `\\${letter}` : letter);

/** Reads one pattern; one instance reads it once. */
class Translator {
  private at = 0;
  private depth = 0;
  constructor(private readonly source: string) {}

  whole(): string {
    const out = this.alternatives();
    if (this.at < this.source.length) throw new NotAPattern('an unopened bracket');
    return out;
  }
  private peek(): string {
    return this.source.charAt(this.at);
  }
  private next(): string {
    const code = this.source.codePointAt(this.at);
    if (code === undefined) throw new NotAPattern('it ends too soon');
    const letter = String.fromCodePoint(code);
    this.at += letter.length;
    return letter;
  }

  private alternatives(): string {
    this.depth += 1;
    if (this.depth > 50) throw new NotAPattern('nested too deep');
    const branches = [this.branch()];
    while (this.peek() === '|') {
      this.at += 1;
      branches.push(this.branch());
    }
    this.depth -= 1;
    return branches.join('|');
  }
  private branch(): string {
    let out = '';
    while (this.at < this.source.length && !'|)'.includes(this.peek()))
      out += this.atom() + this.quantifier();
    return out;
  }
  private atom(): string {
    const letter = this.next();
    switch (letter) {
      case '(': {
        const inside = this.alternatives();
        if (this.peek() !== ')') throw new NotAPattern('an unclosed bracket');
        this.at += 1;
        return `(?:${inside})`;
      }
      case '[':
        return this.group();
      case '.':
        return '[^\\n\\r]';
      case '\\':
        return this.escape(false);
      case '?':
      case '*':
      case '+':
      case '{':
      case '}':
      case ']':
        throw new NotAPattern(`"${letter}" stands where nothing can be repeated`);
      default:
        return literal(letter);
    }
  }
  private quantifier(): string {
    const letter = this.peek();
    if (letter !== '' && '?*+'.includes(letter)) {
      this.at += 1;
      return letter;
    }
    if (letter !== '{') return '';
    const [all, from, comma, to] = /^\{(\d{1,4})(,(\d{0,4}))?\}/.exec(this.source.slice(this.at)) ?? [];
    if (all === undefined || from === undefined) throw new NotAPattern('a count that is none');
    if (to !== undefined && to !== '' && Number(to) < Number(from))
      throw new NotAPattern('a count backwards');
    this.at += all.length;
    return comma === undefined ? `{${from}}` : `{${from},${to ?? ''}}`;
  }

  /** An escape, as an atom or as a part of a class. */
  private escape(inClass: boolean): string {
    const letter = this.next();
    if (META.test(letter)) return inClass ? `\\${letter}` : literal(letter);
    const single = Object.hasOwn(SINGLE, letter) ? SINGLE[letter] : undefined;
    if (single !== undefined) return single;
    if (letter === 'p' || letter === 'P') return this.property(letter === 'P', inClass);
    const lower = letter.toLowerCase();
    const multi = Object.hasOwn(MULTI, lower) ? MULTI[lower] : undefined;
    if (multi === undefined) throw new NotAPattern(`\\${letter} is not an escape`);
    if (letter === lower) return inClass ? multi : `[${multi}]`;
    return inClass ? classOf(rangesOf(multi, true)) : `[^${multi}]`;
  }
  private property(negated: boolean, inClass: boolean): string {
    const [all, name = ''] = /^\{([\w-]+)\}/.exec(this.source.slice(this.at)) ?? [];
    if (all === undefined) throw new NotAPattern('a property without a name');
    this.at += all.length;
    if (CATEGORY.test(name)) {
      const inside = `\\${negated ? 'P' : 'p'}{${name}}`;
      return inClass ? inside : `[${inside}]`;
    }
    const block = name.startsWith('Is') ? BLOCKS.get(name.slice(2)) : undefined;
    if (!block) throw new NotAPattern(`${name} is not a category or block that is known`);
    const ranges = negated ? without([[0, LAST]], [block]) : [block];
    return inClass ? classOf(ranges) : `[${classOf(ranges)}]`;
  }

  /** A class, after its opening bracket; with what is subtracted from it. */
  private group(): string {
    const negated = this.peek() === '^';
    if (negated) this.at += 1;
    let inside = '';
    let taken: Range[] | null = null;
    while (this.peek() !== ']') {
      if (this.source.startsWith('-[', this.at) && inside !== '') {
        this.at += 2;
        taken = this.ranges(this.group());
        break;
      }
      inside += this.member();
    }
    if (this.next() !== ']' || inside === '') throw new NotAPattern('an empty or unclosed class');
    if (!taken) return `[${negated ? '^' : ''}${inside}]`;
    const left = without(rangesOf(inside, negated), taken);
    // Nothing is left: a class that fits nothing.
    return left.length > 0 ? `[${classOf(left)}]` : '[^\\u{0}-\\u{10FFFF}]';
  }
  private ranges(translated: string): Range[] {
    const negated = translated.startsWith('[^');
    return rangesOf(translated.slice(negated ? 2 : 1, -1), negated);
  }
  /** One letter, range or escape of a class. */
  private member(): string {
    const from = this.classLetter();
    if (from.length > 2 && !from.startsWith('\\u')) return from;
    if (this.peek() !== '-' || this.source.startsWith('-[', this.at) || this.source.startsWith('-]', this.at))
      return from;
    this.at += 1;
    const to = this.classLetter();
    const [low, high] = [plain(from), plain(to)];
    if (low === null || high === null || low > high) throw new NotAPattern('a range that is none');
    return `${from}-${to}`;
  }
  private classLetter(): string {
    const letter = this.next();
    if (letter === '\\') return this.escape(true);
    if (letter === '[') throw new NotAPattern('a bracket inside a class');
    return META.test(letter) ? `\\${letter}` : letter;
  }
}

/** The place of a letter as it stands in a class; null for an escape of several. */
function plain(text: string): number | null {
  const special: Readonly<Record<string, number>> = { '\\n': 10, '\\r': 13, '\\t': 9 };
  const known = Object.hasOwn(special, text) ? special[text] : undefined;
  if (known !== undefined) return known;
  const letter = text.startsWith('\\') ? text.slice(1) : text;
  const [only, more] = [...letter];
  return only !== undefined && more === undefined ? (only.codePointAt(0) ?? null) : null;
}

/** Letters a pattern may have. */
const MAX_PATTERN = 2_000;

/**
 * A pattern of XML Schema for an engine that is asked about a whole text, without anchors around it; null when it is none. What
 * comes out is read alike by RE2 and by browsers (flag `u`).
 */
export function translateXsdPattern(pattern: string): string | null {
  if (pattern.length > MAX_PATTERN) return null;
  try {
    return new Translator(pattern).whole();
  } catch (error) {
    if (error instanceof NotAPattern || error instanceof SyntaxError) return null;
    throw error;
  }
}
