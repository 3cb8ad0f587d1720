import { SaxesParser } from 'saxes';

/** An element as read: local name without prefix, its namespace, attributes without namespaces, and its line. */
export interface XmlElement {
  readonly kind: 'element';
  readonly name: string;
  readonly namespace: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly XmlNode[];
  readonly line: number;
}

export interface XmlText {
  readonly kind: 'text';
  readonly text: string;
  readonly line: number;
}

export type XmlNode = XmlElement | XmlText;

/** What an XML file of a package may cost: characters, nesting, nodes. */
export const XML_LIMITS = { characters: 4_000_000, depth: 120, nodes: 200_000 } as const;

/** Why a file could not be read as XML, and on which line. */
export class XmlError extends Error {
  constructor(
    message: string,
    readonly line: number,
  ) {
    super(message);
    this.name = 'XmlError';
  }
}

interface Draft {
  kind: 'element';
  name: string;
  namespace: string;
  attributes: Record<string, string>;
  children: (Draft | XmlText)[];
  line: number;
}

/**
 * Reads XML into a plain tree. Untrusted input: a document type declaration (and so any entity of its own) is refused,
 * and size, depth and number of nodes are limited.
 * @throws XmlError with the line when the text is not well formed or over a limit
 */
export function parseXml(source: string): XmlElement {
  if (source.length > XML_LIMITS.characters) {
    throw new XmlError(`the file is longer than ${XML_LIMITS.characters} characters`, 0);
  }
  const parser = new SaxesParser({ xmlns: true, position: true });
  const stack: Draft[] = [];
  let root: Draft | undefined;
  let nodes = 0;
  let startLine = 1;
  const fail = (message: string): never => {
    throw new XmlError(message, parser.line);
  };
  const count = () => {
    nodes += 1;
    if (nodes > XML_LIMITS.nodes) fail(`more than ${XML_LIMITS.nodes} elements and texts`);
  };
  const text = (value: string) => {
    const parent = stack.at(-1);
    if (!parent || value === '') return;
    count();
    parent.children.push({ kind: 'text', text: value, line: parser.line });
  };
  parser.on('error', (error) => {
    throw new XmlError(error.message.replace(/^\d+:\d+: /, ''), parser.line);
  });
  parser.on('doctype', () => fail('a document type declaration is not allowed in a package'));
  parser.on('opentagstart', () => {
    startLine = parser.line;
  });
  parser.on('text', text);
  parser.on('cdata', text);
  parser.on('opentag', (tag) => {
    count();
    const attributes: Record<string, string> = {};
    for (const attribute of Object.values(tag.attributes)) {
      if (attribute.prefix === 'xmlns' || attribute.name === 'xmlns') continue;
      attributes[attribute.prefix === '' ? attribute.local : attribute.name] = attribute.value;
    }
    const element: Draft = {
      kind: 'element',
      name: tag.local,
      namespace: tag.uri,
      attributes,
      children: [],
      line: startLine,
    };
    const parent = stack.at(-1);
    if (parent) parent.children.push(element);
    else root = element;
    stack.push(element);
    if (stack.length > XML_LIMITS.depth) fail(`elements are nested deeper than ${XML_LIMITS.depth}`);
  });
  parser.on('closetag', () => {
    stack.pop();
  });
  parser.write(source.replace(/^\uFEFF/, '')).close();
  if (!root) throw new XmlError('the file holds no element', 1);
  return root;
}

/** The child elements, optionally only those called `name`. */
export function elementsOf(parent: XmlElement, name?: string): XmlElement[] {
  return parent.children.filter(
    (child): child is XmlElement => child.kind === 'element' && (name === undefined || child.name === name),
  );
}

/** The first child element called `name`. */
export function childOf(parent: XmlElement, name: string): XmlElement | undefined {
  return parent.children.find(
    (child): child is XmlElement => child.kind === 'element' && child.name === name,
  );
}

/** All descendants called `name`, in document order. */
export function descendantsOf(parent: XmlElement, name: string): XmlElement[] {
  return elementsOf(parent).flatMap((child) => [
    ...(child.name === name ? [child] : []),
    ...descendantsOf(child, name),
  ]);
}

/** The text of an element and all below it, as written. */
export function textOf(node: XmlNode): string {
  return node.kind === 'text' ? node.text : node.children.map(textOf).join('');
}

/** An attribute holding a number, or `fallback` when absent or unreadable. */
export function numberAttribute(element: XmlElement, name: string, fallback: number): number {
  const text = element.attributes[name];
  if (text === undefined || text.trim() === '') return fallback;
  const value = Number(text);
  return Number.isFinite(value) ? value : fallback;
}

/** An attribute holding `true` or `false`. */
export function booleanAttribute(element: XmlElement, name: string, fallback: boolean): boolean {
  const text = element.attributes[name]?.trim();
  if (text === 'true' || text === '1') return true;
  if (text === 'false' || text === '0') return false;
  return fallback;
}
