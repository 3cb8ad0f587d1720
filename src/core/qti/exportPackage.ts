import { decodeXml } from '../xml/decode';
import { writeXml } from '../xml/write';
import { childOf, elementsOf, parseXml, textOf, type XmlElement, type XmlNode } from '../xml/xml';
import { readPackage, resolvePath, type PackageFiles, type QtiPackage, type SourceKind } from './package';

const MANIFEST = 'imsmanifest.xml';
/** Namespace of the manifest of a QTI 3.0 package (from memory). */
const CP = 'http://www.imsglobal.org/xsd/qti/qtiv3p0/imscp_v1p1';
const TYPES: Readonly<Record<SourceKind, string>> = {
  item: 'imsqti_item_xmlv3p0',
  stimulus: 'imsqti_stimulus_xmlv3p0',
  test: 'imsqti_test_xmlv3p0',
  section: 'imsqti_section_xmlv3p0',
};
/** Attributes that name files. */
const LINKS = ['href', 'src', 'data', 'poster', 'xlink:href'];

const element = (
  name: string,
  attributes: Readonly<Record<string, string>> = {},
  children: readonly XmlNode[] = [],
): XmlElement => ({ kind: 'element', name, namespace: CP, attributes, children, line: 0 });
const text = (words: string): XmlNode => ({ kind: 'text', text: words, line: 0 });

/** Files of the package that an element and all in it name. */
function linksIn(root: XmlElement, from: string, files: PackageFiles): Set<string> {
  const found = new Set<string>();
  const walk = (one: XmlElement): void => {
    for (const name of LINKS) {
      const href = one.attributes[name];
      const path = href ? resolvePath(from, href) : null;
      if (path !== null && files.paths.has(path) && path !== from) found.add(path);
    }
    if (one.name === 'qti-file-href') {
      const path = resolvePath(from, textOf(one).trim());
      if (path !== null && files.paths.has(path)) found.add(path);
    }
    for (const child of elementsOf(one)) walk(child);
  };
  walk(root);
  return found;
}

/** What the first manifest says of the package and of its resources, by path; kept as it is. */
function saidBefore(files: PackageFiles) {
  const root = parseXml(decodeXml(files.read(MANIFEST)));
  const resources = new Map<string, XmlElement>();
  for (const one of elementsOf(childOf(root, 'resources') ?? root, 'resource')) {
    const path = resolvePath(MANIFEST, one.attributes.href ?? '');
    if (path !== null && !resources.has(path)) resources.set(path, one);
  }
  return { metadata: childOf(root, 'metadata'), resources };
}

/**
 * A package written again as QTI 3.0: all of it that can be delivered, every file as its reader understood it, pictures and other
 * files as they are, and a manifest that says which needs which. What was refused is left out; what was set aside stays.
 * @returns path → bytes, and what was read
 * @throws UnreadablePackage when there is no readable manifest
 */
export function exportPackage(files: PackageFiles): {
  readonly content: QtiPackage;
  readonly written: ReadonlyMap<string, Uint8Array>;
} {
  const content = readPackage(files);
  const { metadata, resources } = saidBefore(files);
  const trees = new Map<string, XmlElement>();
  // In the order of the first manifest, then by name: written again it is the same.
  const listed = [...resources.keys()].filter((path) => content.sources.has(path));
  const unlisted = [...content.sources.keys()].filter((path) => !resources.has(path)).sort();
  for (const path of [...listed, ...unlisted]) trees.set(path, parseXml(decodeXml(files.read(path))));
  const links = new Map([...trees].map(([path, tree]) => [path, linksIn(tree, path, files)]));
  const needed = new Set([...content.assets, ...[...links.values()].flatMap((all) => [...all])]);
  const other = [...needed].filter((path) => !content.sources.has(path) && isWanted(path, content)).sort();

  const taken = new Set<string>();
  const idOf = new Map<string, string>();
  const name = (path: string): string => {
    const wished = resources.get(path)?.attributes.identifier ?? `r-${path.replaceAll(/[^\w.-]/g, '-')}`;
    let free = wished;
    for (let i = 2; taken.has(free); i += 1) free = `${wished}-${i}`;
    taken.add(free);
    idOf.set(path, free);
    return free;
  };
  const paths = [...trees.keys(), ...other];
  paths.forEach(name);
  const resource = (path: string): XmlElement => {
    const kind = content.sources.get(path);
    const about = resources.get(path);
    const said = about && childOf(about, 'metadata');
    const needs = [...(links.get(path) ?? [])].sort().flatMap((one) => idOf.get(one) ?? []);
    return element(
      'resource',
      { identifier: idOf.get(path) ?? '', type: kind ? TYPES[kind] : 'webcontent', href: hrefOf(path) },
      [
        ...(said ? [said] : []),
        element('file', { href: hrefOf(path) }),
        ...needs.map((identifierref) => element('dependency', { identifierref })),
      ],
    );
  };
  const manifest = element('manifest', { identifier: content.identifier }, [
    metadata ??
      element('metadata', {}, [
        element('schema', {}, [text('QTI Package')]),
        element('schemaversion', {}, [text('3.0.0')]),
      ]),
    element('organizations'),
    element('resources', {}, paths.map(resource)),
  ]);
  const encode = (root: XmlElement) => new TextEncoder().encode(writeXml(root));
  return {
    content,
    written: new Map([
      [MANIFEST, encode(manifest)],
      ...[...trees].map(([path, tree]) => [path, encode(tree)] as const),
      ...other.map((path) => [path, files.read(path)] as const),
    ]),
  };
}

/** A refused question’s file that something links to is not carried along. */
const isWanted = (path: string, content: QtiPackage): boolean => !content.refused.has(path);
const hrefOf = (path: string): string => path.split('/').map(encodeURIComponent).join('/');
