import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { XML_LIMITS, XmlError, type XmlElement, type XmlNode } from './xml';

const isElement = (node: Tree.Node): node is Tree.Element => 'tagName' in node;
const isText = (node: Tree.Node): node is Tree.TextNode => node.nodeName === '#text';

/**
 * Reads an HTML page as a browser does (WHATWG HTML, parsing, by `parse5`) into the plain tree that XML is read into: its body, and
 * its title. Untrusted like any file: size, depth and number of nodes are limited; nothing of it runs.
 * @throws XmlError with the line when it is over a limit
 */
export function parseHtml(source: string): { readonly root: XmlElement; readonly title: string } {
  if (source.length > XML_LIMITS.characters)
    throw new XmlError(`the file is longer than ${XML_LIMITS.characters} characters`, 0);
  const document = parse(source, { sourceCodeLocationInfo: true });
  let nodes = 0;
  const lineOf = (node: Tree.Element | Tree.TextNode): number => node.sourceCodeLocation?.startLine ?? 0;
  const walk = (node: Tree.ChildNode, depth: number): XmlNode[] => {
    nodes += 1;
    if (nodes > XML_LIMITS.nodes) throw new XmlError(`more than ${XML_LIMITS.nodes} elements and texts`, 0);
    if (isText(node)) return [{ kind: 'text', text: node.value, line: lineOf(node) }];
    if (!isElement(node)) return [];
    if (depth > XML_LIMITS.depth)
      throw new XmlError(`elements are nested more than ${XML_LIMITS.depth} deep`, lineOf(node));
    return [element(node, depth)];
  };
  const element = (node: Tree.Element, depth: number): XmlElement => ({
    kind: 'element',
    name: node.tagName,
    namespace: node.namespaceURI,
    attributes: Object.fromEntries(
      node.attrs.map(({ name, prefix, value }) => [prefix ? `${prefix}:${name}` : name, value]),
    ),
    children: node.childNodes.flatMap((child) => walk(child, depth + 1)),
    line: lineOf(node),
  });
  const html = document.childNodes.find(isElement);
  const part = (name: string) => html?.childNodes.filter(isElement).find(({ tagName }) => tagName === name);
  const head = part('head')?.childNodes.filter(isElement) ?? [];
  const title = (head.find(({ tagName }) => tagName === 'title')?.childNodes ?? [])
    .map((node) => (isText(node) ? node.value : ''))
    .join('')
    .trim();
  const body = part('body');
  if (!body) throw new XmlError('the page has no body', 0);
  const setAside = head.filter(({ tagName }) => !/^(title|meta)$/.test(tagName));
  const read = element(body, 0);
  // What stands in the head and would do something is named like anything else that is set aside.
  return {
    title,
    root: { ...read, children: [...setAside.map((one) => element(one, 0)), ...read.children] },
  };
}
