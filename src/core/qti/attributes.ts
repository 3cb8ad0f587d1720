import type { Reporter } from '../xml/problem';
import type { XmlElement } from '../xml/xml';

/** Attributes read strictly: what is there and cannot be read is an error with its line, never silently something else. */
export class StrictAttributes {
  constructor(
    private readonly element: XmlElement,
    private readonly report: Reporter,
  ) {}

  private bad(name: string, wanted: string): void {
    const text = this.element.attributes[name] ?? '';
    this.report.error(
      'bad-attribute',
      this.element.line,
      `${name}="${text.slice(0, 60)}" of <${this.element.name}> is not ${wanted}`,
    );
  }

  /** A name without blanks; an error when it is missing. */
  identifier(name = 'identifier'): string {
    const text = this.element.attributes[name]?.trim() ?? '';
    if (text === '')
      this.report.error('no-identifier', this.element.line, `<${this.element.name}> has no ${name}`);
    else if (/\s/.test(text)) this.bad(name, 'an identifier');
    return text;
  }

  boolean(name: string, fallback: boolean): boolean {
    const text = this.element.attributes[name]?.trim();
    if (text === undefined) return fallback;
    if (text === 'true' || text === '1') return true;
    if (text !== 'false' && text !== '0') this.bad(name, '"true" or "false"');
    return text === 'false' || text === '0' ? false : fallback;
  }

  /** A number of at least `least`, whole where wanted; null when absent or unreadable (which is reported). */
  number(name: string, { least = -Infinity, whole = false } = {}): number | null {
    const text = this.element.attributes[name]?.trim();
    if (text === undefined) return null;
    const value = /^[+-]?(\d+\.?\d*|\.\d+)([eE][+-]?\d+)?$/.test(text) ? Number(text) : NaN;
    if (Number.isFinite(value) && value >= least && (!whole || Number.isInteger(value))) return value;
    this.bad(name, `a ${whole ? 'whole ' : ''}number${least > -Infinity ? ` of at least ${least}` : ''}`);
    return null;
  }

  /** One of some words. */
  word<Word extends string>(name: string, words: readonly Word[], fallback: Word): Word {
    const text = this.element.attributes[name]?.trim();
    if (text === undefined) return fallback;
    const found = words.find((one) => one === text);
    if (found === undefined) this.bad(name, words.map((one) => `"${one}"`).join(' or '));
    return found ?? fallback;
  }
}
