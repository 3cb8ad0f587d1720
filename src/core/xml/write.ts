import type { XmlElement, XmlNode } from './xml';

const escapeText = (text: string) =>
  text.replace(/[&<>\r]/g, (one) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;' })[one] ?? '&#13;');
const escapeAttribute = (text: string) => text.replace(/[&<>"\n\r\t]/g, (one) => `&#${one.charCodeAt(0)};`);

/** Prefixes that attributes carry besides `xml`, which needs no saying. */
const PREFIXES: Readonly<Record<string, string>> = {
  xlink: 'http://www.w3.org/1999/xlink',
  xsi: 'http://www.w3.org/2001/XMLSchema-instance',
  epub: 'http://www.idpf.org/2007/ops',
};

function write(node: XmlNode, around: string): string {
  if (node.kind === 'text') return escapeText(node.text);
  const own = node.namespace === around ? '' : ` xmlns="${escapeAttribute(node.namespace)}"`;
  const written = Object.entries(node.attributes).filter(([name]) => {
    const [prefix] = name.includes(':') ? name.split(':') : ['xml'];
    return prefix === 'xml' || PREFIXES[prefix ?? ''] !== undefined;
  });
  const prefixes = new Set(
    written.flatMap(([name]) => (name.includes(':') ? [name.split(':')[0] ?? ''] : [])),
  );
  prefixes.delete('xml');
  const declared = [...prefixes].map((one) => ` xmlns:${one}="${PREFIXES[one] ?? ''}"`).join('');
  const attributes = written.map(([name, value]) => ` ${name}="${escapeAttribute(value)}"`).join('');
  const inside = node.children.map((child) => write(child, node.namespace)).join('');
  const head = `${node.name}${own}${declared}${attributes}`;
  return inside === '' ? `<${head}/>` : `<${head}>${inside}</${node.name}>`;
}

/**
 * An element as the text of a file: what `parseXml` reads from it is the same tree. Prefixes of elements become default
 * namespaces; attributes in namespaces nobody reads are left out.
 */
export const writeXml = (root: XmlElement): string =>
  `<?xml version="1.0" encoding="UTF-8"?>\n${write(root, '')}\n`;

/** An element as text without a declaration: a piece of another document. */
export const writeMarkup = (root: XmlElement): string => write(root, '');
