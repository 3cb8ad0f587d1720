import { writeXml } from '../xml/write';
import { elementsOf, parseXml, textOf, type XmlElement, type XmlNode } from '../xml/xml';
import { part, PREFIX, type Part } from './pnp';

/** Namespaces of the standard’s binding (from memory), and of what is ours. */
const PNP = 'http://www.imsglobal.org/xsd/qti/qtiv3p0/imsafa3p0pnp_v1p0';
const OURS = 'urn:able-compass:pnp';

export class PnpError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'PnpError';
  }
}

/** @throws XmlError, or PnpError where it is no profile */
export function pnpFromXml(source: string): Part {
  const read = (element: XmlElement, within: boolean): Part => {
    const mine = element.namespace === OURS;
    const inside = elementsOf(element);
    // Attributes say more than we read: they are parts too, so that they are named.
    const attributes = Object.entries(element.attributes)
      .filter(([name]) => !/^(xmlns|xsi)\b/.test(name))
      .map(([name, value]) => part(`@${name}`, value));
    return {
      name: mine && !within ? `${PREFIX}${element.name}` : element.name,
      text: inside.length === 0 ? textOf(element).trim() : '',
      parts: [...attributes, ...inside.map((one) => read(one, mine))],
    };
  };
  const root = parseXml(source);
  if (root.name !== 'access-for-all-pnp')
    throw new PnpError(`the file begins with <${root.name}>, and not with <access-for-all-pnp>`);
  return read(root, false);
}

export function pnpToXml(profile: Part): string {
  const write = (one: Part, around: string): XmlNode => {
    const mine = one.name.startsWith(PREFIX) || around === OURS;
    const namespace = mine ? OURS : PNP;
    const children: XmlNode[] = one.parts.map((each) => write(each, namespace));
    return {
      kind: 'element',
      name: one.name.replace(PREFIX, ''),
      namespace,
      attributes: {},
      line: 0,
      children: one.text === '' ? children : [{ kind: 'text', text: one.text, line: 0 }, ...children],
    };
  };
  const root = write(profile, PNP);
  if (root.kind !== 'element') throw new PnpError('a profile is an element');
  return writeXml(root);
}

const camel = (name: string) => name.replace(/-([a-z])/g, (_all, letter: string) => letter.toUpperCase());
const kebab = (name: string) => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);

/** From the standard’s JSON: names in camel case, features of a set as a list. @throws PnpError where it is no profile */
export function pnpFromJson(json: unknown): Part {
  const partsOf = (value: unknown): Part[] =>
    typeof value === 'object' && value !== null
      ? Object.entries(value).flatMap(([key, inside]) => read(kebab(key), inside))
      : [part(String(value))];
  const read = (name: string, value: unknown): Part[] => {
    if (Array.isArray(value)) {
      const all: unknown[] = value;
      return name.endsWith('-set')
        ? [part(name, ...all.flatMap((one) => (typeof one === 'string' ? [part(kebab(one))] : partsOf(one))))]
        : all.flatMap((one) => read(name, one));
    }
    if (typeof value === 'object' && value !== null) return [part(name, ...partsOf(value))];
    if (value === false || value === null || value === undefined) return [];
    if (typeof value === 'string' || typeof value === 'number') return [part(name, String(value))];
    return [part(name)];
  };
  if (typeof json !== 'object' || json === null || Array.isArray(json))
    throw new PnpError('a profile in JSON is an object');
  const [profile] = read('access-for-all-pnp', json);
  return profile ?? part('access-for-all-pnp');
}

export function pnpToJson(profile: Part): unknown {
  const write = (one: Part): unknown => {
    if (one.name.endsWith('-set')) return one.parts.map(({ name }) => camel(name));
    if (one.parts.length === 0) {
      if (one.text === '') return true;
      return one.text.trim() !== '' && Number.isFinite(Number(one.text)) ? Number(one.text) : one.text;
    }
    const whole: Record<string, unknown> = {};
    for (const each of one.parts) {
      const key = camel(each.name);
      const before = whole[key];
      if (before === undefined) whole[key] = write(each);
      else whole[key] = [...(Array.isArray(before) ? (before as unknown[]) : [before]), write(each)];
    }
    return whole;
  };
  return profile.parts.length === 0 ? {} : write(profile);
}
