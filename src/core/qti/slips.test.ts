import { readPackage, type PackageFiles } from './package';
import { filesFrom } from './testItem';

const NS = 'xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0"';
const MANIFEST =
  '<manifest identifier="p"><resources><resource identifier="i" type="imsqti_item_xmlv3p0" href="i.xml"/></resources></manifest>';
const choices = (inside: string, attributes = 'max-choices="1"') =>
  `<qti-choice-interaction response-identifier="RESPONSE" ${attributes}>\n${inside}</qti-choice-interaction>`;
const AB =
  '<qti-simple-choice identifier="A">a</qti-simple-choice><qti-simple-choice identifier="B">b</qti-simple-choice>';
interface Parts {
  readonly key?: string;
  readonly body?: string;
  readonly more?: string;
  readonly cardinality?: string;
}
const item = ({
  key = '<qti-value>A</qti-value>',
  body = choices(AB),
  more = '',
  cardinality = 'single',
}: Parts) =>
  `<qti-assessment-item ${NS} identifier="i" title="t">
<qti-response-declaration identifier="RESPONSE" cardinality="${cardinality}" base-type="identifier"><qti-correct-response>
${key}</qti-correct-response></qti-response-declaration>
<qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float"/>${more}
<qti-item-body>${body}</qti-item-body></qti-assessment-item>`;

const problemsOf = (files: PackageFiles) => {
  const { problems, items } = readPackage(files);
  return {
    problems: problems.map(({ code, file, line }) => `${code} ${file}:${line}`),
    kept: items.has('i'),
  };
};
const read = (text: string) => problemsOf(filesFrom({ 'imsmanifest.xml': MANIFEST, 'i.xml': text }));

test('what is right has no slip', () => {
  expect(read(item({}))).toEqual({ problems: [], kept: true });
});

describe('slips are refused with their line', () => {
  test.each([
    ['a key that is not offered', item({ key: '<qti-value>C</qti-value>' }), 'bad-key i.xml:3'],
    [
      'more keys than may be chosen',
      item({ key: '<qti-value>A</qti-value><qti-value>B</qti-value>', cardinality: 'multiple' }),
      'bad-key i.xml:2',
    ],
    [
      'a mapping of what is not offered',
      item({}).replace(
        '</qti-correct-response>',
        '</qti-correct-response><qti-mapping><qti-map-entry map-key="Z" mapped-value="1"/></qti-mapping>',
      ),
      'bad-key i.xml:3',
    ],
    ['a choice twice', item({ body: choices(AB + AB) }), 'duplicate-identifier i.xml:6'],
    [
      'a variable twice',
      item({
        more: '\n<qti-outcome-declaration identifier="RESPONSE" cardinality="single" base-type="float"/>',
      }),
      'duplicate-identifier i.xml:5',
    ],
    [
      'a name without end',
      item({}).replace('identifier="i"', `identifier="${'i'.repeat(181)}"`),
      'too-long i.xml:1',
    ],
    ['a negative count', item({ body: choices(AB, 'max-choices="-1"') }), 'bad-attribute i.xml:5'],
    ['a count that is none', item({ body: choices(AB, 'max-choices="many"') }), 'bad-attribute i.xml:5'],
    [
      'more at least than at most',
      item({ body: choices(AB, 'min-choices="2" max-choices="1"') }),
      'bad-attribute i.xml:5',
    ],
    [
      'a foreign namespace',
      item({})
        .replace(NS, 'xmlns="http://www.imsglobal.org/xsd/imsqti_v2p1"')
        .replaceAll(/<(\/?)qti-value/g, '<$1value'),
      'wrong-namespace i.xml:1',
    ],
    [
      'a foreign element inside',
      item({ body: `<f:qti-choice-interaction xmlns:f="urn:f"/>${choices(AB)}` }),
      'wrong-namespace i.xml:5',
    ],
    [
      'a list without end',
      item({ key: '<qti-value>A</qti-value>'.repeat(2_001), cardinality: 'multiple' }),
      'too-long i.xml:2',
    ],
  ])('%s', (_what, text, expected) => {
    const { problems, kept } = read(text);
    expect(problems).toContain(expected);
    expect(kept).toBe(false);
  });
});

test('a file of another language is said to be one once, however much is in it', () => {
  const large = item({ body: choices(AB).repeat(1) + '<p>x</p>'.repeat(20_000) }).replace(
    NS,
    'xmlns="urn:other"',
  );
  const { problems } = read(large);
  expect(problems.filter((one) => one.startsWith('wrong-namespace'))).toEqual(['wrong-namespace i.xml:1']);
});

describe('encodings', () => {
  const utf16 = (text: string, bigEndian = false) => {
    const bytes = Buffer.from(`\uFEFF${text}`, 'utf16le');
    return bigEndian ? bytes.swap16() : bytes;
  };
  const bytesFor = (bytes: Uint8Array): PackageFiles => ({
    paths: new Set(['imsmanifest.xml', 'i.xml']),
    read: (path) => (path === 'i.xml' ? bytes : Buffer.from(MANIFEST)),
  });
  const named = (encoding: string) => `<?xml version="1.0" encoding="${encoding}"?>\n${item({})}`;
  test.each([
    ['UTF-8', Buffer.from(named('UTF-8'))],
    ['UTF-8 with a mark', Buffer.from(`\uFEFF${named('utf-8')}`)],
    ['UTF-16, little end first', utf16(named('UTF-16'))],
    ['UTF-16, big end first', utf16(named('UTF-16'), true)],
  ])('%s is read', (_what, bytes) => {
    expect(problemsOf(bytesFor(bytes))).toEqual({ problems: [], kept: true });
  });
  test.each([
    ['Latin 1', Buffer.from(named('ISO-8859-1')), 'xml i.xml:1'],
    ['UTF-16 declared, UTF-8 written', Buffer.from(named('UTF-16')), 'xml i.xml:1'],
    ['bytes that are no UTF-8', Buffer.concat([Buffer.from(item({})), Buffer.from([0xff])]), 'xml i.xml:0'],
  ])('%s is refused', (_what, bytes, expected) => {
    expect(problemsOf(bytesFor(bytes))).toEqual({ problems: [expected], kept: false });
  });
});

test('what a package puts into a message cannot act on a terminal', () => {
  const { problems } = readPackage(
    filesFrom({
      'imsmanifest.xml': MANIFEST,
      'i.xml': item({ key: '<qti-value>C\u202E&#x85;x\u2028</qti-value>' }),
    }),
  );
  expect(problems).toHaveLength(1);
  expect(problems[0]?.message).toContain('C\\u202e\\u0085x');
});
