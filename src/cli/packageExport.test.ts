import { filesAt } from '@/server/library/files';
import { decodeXml } from '@/core/xml/decode';
import { writeXml } from '@/core/xml/write';
import { parseXml, type XmlElement, type XmlNode } from '@/core/xml/xml';
import { exportPackage } from '@/core/qti/exportPackage';
import { readPackage, type PackageFiles, type QtiPackage } from '@/core/qti/package';
import { filesFrom } from '@/core/qti/testItem';

const again = (written: ReadonlyMap<string, Uint8Array>): PackageFiles => ({
  paths: new Set(written.keys()),
  read: (path) => written.get(path) ?? new Uint8Array(),
});
/** Lines aside, and texts that XML may cut in pieces as it likes. */
function tree(node: XmlNode): unknown {
  if (node.kind === 'text') return node.text;
  const children: unknown[] = [];
  for (const child of node.children.map(tree)) {
    const last = children.at(-1);
    if (typeof child === 'string' && typeof last === 'string') children[children.length - 1] = last + child;
    else children.push(child);
  }
  return [node.name, node.namespace, node.attributes, children];
}
const models = ({ items, tests, stimuli }: QtiPackage) =>
  JSON.parse(
    JSON.stringify([[...items], tests, [...stimuli]], (key, value: unknown) => (key === 'line' ? 0 : value)),
  ) as unknown;
const problems = (content: QtiPackage) =>
  content.problems.map(({ severity, code, file, message }) => `${severity} ${code} ${file} ${message}`);

describe.each(['skerry-sound-grade-6', 'every-kind-of-question'])('%s, written and read again', (name) => {
  const files = filesAt(`content/${name}`);
  const first = exportPackage(files);
  const second = exportPackage(again(first.written));
  test('is the same content, with the same report', () => {
    expect(models(second.content)).toEqual(models(first.content));
    expect(problems(second.content)).toEqual(problems(first.content));
    expect([...second.content.assets].sort()).toEqual([...first.content.assets].sort());
  });
  test('every file is the same tree, every picture the same bytes', () => {
    for (const [path, bytes] of first.written) {
      if (path === 'imsmanifest.xml') continue;
      if (first.content.sources.has(path))
        expect(tree(parseXml(decodeXml(bytes)))).toEqual(tree(parseXml(decodeXml(files.read(path)))));
      else expect(Buffer.compare(Buffer.from(bytes), Buffer.from(files.read(path)))).toBe(0);
    }
  });
  test('and written once more it is the same bytes', () => {
    const texts = ({ written }: { written: ReadonlyMap<string, Uint8Array> }) =>
      [...written].map(([path, bytes]) => [path, Buffer.from(bytes).toString('base64')]);
    expect(texts(second)).toEqual(texts(first));
  });
  test('the manifest names every file, and what each needs', () => {
    const manifest = parseXml(decodeXml(first.written.get('imsmanifest.xml') ?? new Uint8Array()));
    const named: string[] = [];
    const needed: string[] = [];
    const ids = new Set<string>();
    const walk = (one: XmlElement): void => {
      if (one.name === 'file') named.push(decodeURIComponent(one.attributes.href ?? ''));
      if (one.name === 'dependency') needed.push(one.attributes.identifierref ?? '');
      if (one.name === 'resource') ids.add(one.attributes.identifier ?? '');
      for (const child of one.children) if (child.kind === 'element') walk(child);
    };
    walk(manifest);
    expect([...named, 'imsmanifest.xml'].sort()).toEqual([...first.written.keys()].sort());
    expect(needed.length).toBeGreaterThan(0);
    expect(needed.filter((one) => !ids.has(one))).toEqual([]);
  });
});

const NS = 'xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0"';
test('what is refused is left out, and the rest has no error any more', () => {
  const item = (identifier: string, body: string) =>
    `<qti-assessment-item ${NS} identifier="${identifier}" title="t"><qti-item-body>${body}</qti-item-body></qti-assessment-item>`;
  const { written, content } = exportPackage(
    filesFrom({
      'imsmanifest.xml':
        '<manifest identifier="p"><metadata><schema>Kept</schema></metadata><resources><resource identifier="a" type="imsqti_item_xmlv3p0" href="a b.xml"/><resource identifier="b" type="imsqti_item_xmlv3p0" href="b.xml"/></resources></manifest>',
      'a b.xml': item('a', '<p>fine</p>'),
      'b.xml': item('b', '<qti-unknown-interaction response-identifier="R"/>'),
    }),
  );
  expect(content.problems.some(({ severity }) => severity === 'error')).toBe(true);
  expect([...written.keys()]).toEqual(['imsmanifest.xml', 'a b.xml']);
  expect(Buffer.from(written.get('imsmanifest.xml') ?? []).toString()).toContain('<schema>Kept</schema>');
  expect(readPackage(again(written)).problems).toEqual([]);
});

test.each([
  '<a xmlns="u"><b xmlns="v" c="&lt;&quot;&#10;&amp;">x &amp; &lt;y&gt; &#13;</b><d/></a>',
  '<p:a xmlns:p="u" xml:lang="en"><p:b/><c xmlns:xlink="http://www.w3.org/1999/xlink" xlink:href="#x"/></p:a>',
])('XML is written as it was read: %s', (source) => {
  const root = parseXml(source);
  expect(tree(parseXml(writeXml(root)))).toEqual(tree(root));
});
