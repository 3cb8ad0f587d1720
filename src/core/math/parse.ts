import type { MathNode, RelationOp } from './node';
import { add, divide, fromDecimal, rational } from './rational';
import { tokenize, Unreadable, type Token } from './tokens';

const MAX_DEPTH = 60;

/** A recursive-descent reader over the tokens; one instance reads one answer. */
class Reader {
  private at = 0;
  private depth = 0;
  constructor(private readonly tokens: Token[]) {}

  relation(): MathNode {
    const args = [this.sum()];
    const ops: RelationOp[] = [];
    for (let token = this.peek(); token?.k === 'rel'; token = this.peek()) {
      this.at += 1;
      ops.push(token.op);
      args.push(this.sum());
    }
    const [only] = args;
    return ops.length === 0 && only ? only : { t: 'rel', ops, args };
  }

  end(): void {
    if (this.at < this.tokens.length) throw new Unreadable('something is left over');
  }

  private peek(): Token | undefined {
    return this.tokens[this.at];
  }
  private take(kind: Token['k']): boolean {
    if (this.peek()?.k !== kind) return false;
    this.at += 1;
    return true;
  }

  private sum(): MathNode {
    this.depth += 1;
    if (this.depth > MAX_DEPTH) throw new Unreadable('nested too deep');
    const args = [this.signed()];
    for (;;) {
      if (this.take('+')) args.push(this.signed());
      else if (this.take('-')) args.push({ t: 'neg', arg: this.signed() });
      else break;
    }
    this.depth -= 1;
    const [only] = args;
    return args.length === 1 && only ? only : { t: 'add', args };
  }

  private signed(): MathNode {
    if (this.take('-')) return { t: 'neg', arg: this.signed() };
    if (this.take('+')) return this.signed();
    return this.term();
  }

  private term(): MathNode {
    let left = this.factor();
    for (;;) {
      if (this.take('*')) left = times(left, this.signedFactor());
      else if (this.take('/')) left = { t: 'div', a: left, b: this.signedFactor(), written: written(left) };
      else if (this.take(':')) left = { t: 'div', a: left, b: this.signedFactor(), written: 'quotient' };
      else if (this.startsFactor()) {
        const next = this.peek();
        if (next?.k === 'num' && this.tokens[this.at - 1]?.k === 'num')
          throw new Unreadable('two numbers side by side');
        else left = times(left, this.factor());
      } else return left;
    }
  }

  private signedFactor(): MathNode {
    if (this.take('-')) return { t: 'neg', arg: this.signedFactor() };
    if (this.take('+')) return this.signedFactor();
    return this.factor();
  }

  /** `3 1/2` or `3\frac{1}{2}`: a whole number before a numeric fraction. */
  private mixedNumber(left: MathNode): MathNode | null {
    if (left.t !== 'num' || left.written !== 'integer') return null;
    const start = this.at;
    const fraction = this.numericFraction();
    if (fraction) return { t: 'mixed', whole: left.value.n, ...fraction };
    this.at = start;
    return null;
  }

  private numericFraction(): { n: bigint; d: bigint } | null {
    const first = this.peek();
    if (first?.k === 'frac') {
      this.at += 1;
      const n = this.argument();
      const d = this.argument();
      const whole = n.t === 'num' && d.t === 'num' && n.written === 'integer' && d.written === 'integer';
      return whole && d.value.n !== 0n ? { n: n.value.n, d: d.value.n } : null;
    }
    const [n, slash, d] = this.tokens.slice(this.at, this.at + 3);
    if (n?.k !== 'num' || slash?.k !== '/' || d?.k !== 'num') return null;
    if (!/^\d+$/.test(n.text) || !/^\d+$/.test(d.text) || /^0+$/.test(d.text)) return null;
    this.at += 3;
    return { n: BigInt(n.text), d: BigInt(d.text) };
  }

  private startsFactor(): boolean {
    const token = this.peek();
    if (!token) return false;
    if (token.k === '|') return this.bars === 0;
    return ['num', 'letter', 'fn', 'const', 'open', 'frac', 'sqrt', 'root', 'inf'].includes(token.k);
  }
  private bars = 0;

  private factor(): MathNode {
    const first = this.primary();
    let base = this.mixedNumber(first) ?? first;
    for (;;) {
      if (this.take('^')) {
        if (this.take('°')) base = { t: 'degrees', arg: base };
        else if (this.degreesInBraces()) base = { t: 'degrees', arg: base };
        else base = { t: 'pow', base, exponent: this.exponent() };
      } else if (this.take('%')) base = { t: 'percent', arg: base };
      else if (this.take('°')) base = { t: 'degrees', arg: base };
      else return base;
    }
  }

  private degreesInBraces(): boolean {
    const [open, sign, close] = this.tokens.slice(this.at, this.at + 3);
    if (open?.k !== 'open' || sign?.k !== '°' || close?.k !== 'close') return false;
    this.at += 3;
    return true;
  }

  private exponent(): MathNode {
    if (this.take('-')) return { t: 'neg', arg: this.exponent() };
    const base = this.primary();
    return this.take('^') ? { t: 'pow', base, exponent: this.exponent() } : base;
  }

  /** An argument of `\frac` or `\sqrt`: a group, or one digit or sign as TeX reads it. */
  private argument(): MathNode {
    const token = this.peek();
    if (token?.k === 'open') {
      const group = this.primary();
      return group.t === 'group' ? group.arg : group;
    }
    if (token?.k === 'num' && token.text.length > 1) {
      this.tokens[this.at] = { ...token, text: token.text.slice(1) };
      return numeral(token.text.slice(0, 1));
    }
    return this.primary();
  }

  private primary(): MathNode {
    const token = this.peek();
    if (!token) throw new Unreadable('something is missing');
    this.at += 1;
    switch (token.k) {
      case 'num':
        return this.repeating(token.text) ?? numeral(token.text);
      case 'letter':
        return this.letter(token.name);
      case 'const':
        return { t: 'const', name: token.name };
      case 'inf':
        return { t: 'infinity' };
      case 'open': {
        const arg = this.relationFree();
        const close = this.peek();
        if (close?.k !== 'close' || close.bracket !== token.bracket)
          throw new Unreadable('a bracket is not closed');
        this.at += 1;
        return { t: 'group', arg };
      }
      case '|': {
        this.bars += 1;
        const arg = this.relationFree();
        this.bars -= 1;
        if (!this.take('|')) throw new Unreadable('a bar is not closed');
        return { t: 'fn', name: 'abs', arg, base: null };
      }
      case 'frac':
        return { t: 'div', a: this.argument(), b: this.argument(), written: 'fraction' };
      case 'sqrt': {
        const open = this.peek();
        const index = open?.k === 'open' && open.bracket === '[' ? this.argument() : numeral('2');
        return { t: 'root', index, arg: this.argument() };
      }
      case 'root': {
        const arg = this.primary();
        return { t: 'root', index: numeral('2'), arg: arg.t === 'group' ? arg.arg : arg };
      }
      case 'fn':
        return this.functionCall(token.name);
      default:
        throw new Unreadable(`misplaced ${token.k}`);
    }
  }

  private relationFree(): MathNode {
    const saved = this.bars;
    const node = this.sum();
    this.bars = saved;
    return node;
  }

  /** `x` or `x_1` or `x_{12}`. */
  private letter(name: string): MathNode {
    if (!this.take('_')) return name === 'e' ? { t: 'const', name: 'e' } : { t: 'var', name };
    const braced = this.take('open');
    const token = this.peek();
    if (token?.k !== 'num' && token?.k !== 'letter') throw new Unreadable('an index is missing');
    this.at += 1;
    if (braced && !this.take('close')) throw new Unreadable('an index is not closed');
    return { t: 'var', name: `${name}_${token.k === 'num' ? token.text : token.name}` };
  }

  /** `0.\overline{3}`: exact. */
  private repeating(text: string): MathNode | null {
    if (this.peek()?.k !== 'overline') return null;
    const [, open, digits, close] = this.tokens.slice(this.at, this.at + 4);
    if (open?.k !== 'open' || digits?.k !== 'num' || close?.k !== 'close' || !/^\d+$/.test(digits.text)) {
      throw new Unreadable('a repeating decimal');
    }
    this.at += 4;
    const places = text.split('.')[1]?.length ?? 0;
    const cycle = rational(BigInt(digits.text), 10n ** BigInt(digits.text.length) - 1n);
    const value = add(fromDecimal(text), divide(cycle, rational(10n ** BigInt(places))));
    return { t: 'num', value, written: 'decimal' };
  }

  private functionCall(name: Extract<Token, { k: 'fn' }>['name']): MathNode {
    let base: MathNode | null = null;
    let exponent: MathNode | null = null;
    for (;;) {
      if (name === 'log' && base === null && this.take('_')) base = this.argument();
      else if (exponent === null && this.take('^')) exponent = this.exponent();
      else break;
    }
    const open = this.peek()?.k === 'open';
    let arg = open ? this.primary() : this.factor();
    if (!open) {
      for (let next = this.peek(); next && next.k !== 'fn' && this.startsFactor(); next = this.peek()) {
        arg = times(arg, this.factor());
      }
    }
    const call: MathNode = { t: 'fn', name, arg: arg.t === 'group' ? arg.arg : arg, base };
    return exponent ? { t: 'pow', base: call, exponent } : call;
  }
}

const numeral = (text: string): MathNode => ({
  t: 'num',
  value: fromDecimal(text),
  written: text.includes('.') ? 'decimal' : 'integer',
});

const times = (a: MathNode, b: MathNode): MathNode => ({
  t: 'mul',
  args: a.t === 'mul' ? [...a.args, b] : [a, b],
});

/** A typed `1/2` is a fraction; a longer quotient is not. */
const written = (left: MathNode): 'fraction' | 'quotient' =>
  left.t === 'num' || left.t === 'group' ? 'fraction' : 'quotient';

/**
 * Reads LaTeX as the editor writes it, or plain typed text, by the rules of items.md ("How written maths is read").
 * @throws Unreadable
 */
export function parseMath(source: string): MathNode {
  const reader = new Reader(tokenize(source));
  const node = reader.relation();
  reader.end();
  return node;
}
